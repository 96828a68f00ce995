/** What is shown of how a position is measured. */
export type Mark = 'tape' | 'inclinometer' | 'goniometer' | 'landmarks';
