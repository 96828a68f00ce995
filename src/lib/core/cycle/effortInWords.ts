/** Upper edges of the words for an effort, percent of the greatest safe one (assumption; common practice tells efforts so). */
const words = [
  [0, 'none'],
  [10, 'a trace'],
  [25, 'light'],
  [45, 'brisk'],
  [65, 'firm'],
  [85, 'strong'],
  [100, 'all that is safe']
] as const;

/** One effort told three ways: percent, of ten, in a word. Press and draw alike. */
export function effortInWords(pct: number): string {
  const size = Math.abs(pct);
  const word = (words.find(([edge]) => size <= edge) ?? words.at(-1)!)[1];
  return `${Math.round(size / 5) / 2} of 10, ${word}`;
}
