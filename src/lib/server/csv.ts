import Papa from 'papaparse';

/** Rows as a CSV file to save, RFC 4180; what a sheet would take for a formula is kept as text. */
export const csvFile = (rows: readonly object[], name: string): Response =>
  new Response(`${Papa.unparse([...rows], { escapeFormulae: true, newline: '\r\n' })}\r\n`, {
    headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': `attachment; filename="${name}.csv"` }
  });
