/** Colours of the theme stand in a drawing by name; outside the page they need their values. */
function standalone(svg: SVGSVGElement): string {
  const styles = getComputedStyle(svg);
  const copy = svg.cloneNode(true) as SVGSVGElement;
  // What the page's own sheet makes pale stays pale.
  const [shown, copied] = [svg, copy].map((s) => [...s.querySelectorAll('path')]);
  for (const [i, path] of shown!.entries()) copied![i]!.setAttribute('fill-opacity', getComputedStyle(path).fillOpacity);
  // A canvas that was drawn HTML gives no picture away, and there is none to see in it.
  for (const html of copy.querySelectorAll('foreignObject')) html.remove();
  const text = new XMLSerializer().serializeToString(copy);
  return text.replaceAll(/var\((--[\w-]+)\)/g, (_, name: string) => styles.getPropertyValue(name).trim());
}

function save(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** Hands a drawing over as a file of its own, on the ground it has on the page. */
export function saveSvg(svg: SVGSVGElement, name: string): void {
  save(new Blob([standalone(svg)], { type: 'image/svg+xml' }), `${name}.svg`);
}

/** The same as a picture, twice as fine as it is shown. */
export async function savePng(svg: SVGSVGElement, name: string): Promise<void> {
  const { width, height } = svg.getBoundingClientRect();
  const url = URL.createObjectURL(new Blob([standalone(svg)], { type: 'image/svg+xml' }));
  try {
    const image = new Image(width, height);
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [width * 2, height * 2];
    const context = canvas.getContext('2d')!;
    context.fillStyle = getComputedStyle(document.body).backgroundColor;
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.drawImage(image, 0, 0, canvas.width, canvas.height);
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
    if (blob) save(blob, `${name}.png`);
  } finally {
    URL.revokeObjectURL(url);
  }
}
