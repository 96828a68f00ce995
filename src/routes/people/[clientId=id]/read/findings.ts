import { measureOf, modelSdDeg, type Link, type PositionReading, type Side } from '$lib/core';
import { capital, changeText, degApart, degText } from '$lib/ui/format';

/** What the links leave unexplained, as the two figures are shown; minus where they allow more than the position shows. */
export const unexplainedText = (openingDeg: number, fromLinksDeg: number): string =>
  changeText(fromLinksDeg, openingDeg, { unit: '°' }, 'cm').replace('+', '');

/** A plain sentence with its numbers, and where it comes from. */
export type Finding = Readonly<{ text: string; why: string }>;

const nameOf = (link: Link): string => `${link.side ? `${link.side} ` : ''}${measureOf(link.measure).name}`;
/** What is missing, as the two figures beside it are shown. */
const shortOf = (link: Link): string => degApart(link.passive!.value, link.needDeg);
const leadText = (r: PositionReading): string => (r.leadSide ? `${capital(r.leadSide)} leading: ` : '');

/**
 * The one sentence that says what holds the position back; where both leads agree on the motion, one for both. Where the goal is reached nothing
 * holds it back: then what is short of carrying it.
 */
export function sentencesOf(readings: readonly PositionReading[], isReached = false): { side: Side | null; text: string }[] {
  const [one, other] = readings;
  if (!one) return [];
  if (isReached) return [{ side: null, text: reachedSentence(readings) }];
  if (!other) return [{ side: null, text: sentenceOf(one) }];
  const [first, second] = [one.limiting[0], other.limiting[0]];
  if (first && second && first.measure === second.measure) {
    const near = one.limiting[1]?.measure ?? other.limiting[1]?.measure;
    const also =
      near && near !== first.measure ? `; ${measureOf(near).name} may limit it as much, within the measuring error` : '';
    const short = (link: Link) => `${shortOf(link)} on the ${link.side}`;
    return [
      {
        side: null,
        text: `${capital(measureOf(first.measure).name)} is the main limit: ${short(first)} and ${short(second)} short of ${degText(first.needDeg)}${also}`
      }
    ];
  }
  const texts = [one, other].map((r) => ({ side: r.leadSide, text: sentenceOf(r) }));
  return texts[0]!.text === texts[1]!.text ? [{ side: null, text: texts[0]!.text }] : texts;
}

function reachedSentence(readings: readonly PositionReading[]): string {
  const short = readings.flatMap((r) => r.limiting.slice(0, 1));
  if (short.length === 0) return 'The goal is reached, and none of the joint ranges measured is short of it';
  const texts = [...new Set(short.map((l) => `${nameOf(l)} is ${shortOf(l)} short of ${degText(l.needDeg)}`))];
  return `The goal is reached. ${capital(texts.join(', and '))}: look at what carries it instead`;
}

function sentenceOf(reading: PositionReading): string {
  const [first, second] = reading.limiting;
  if (first && second && degText(first.givesDeg) === degText(second.givesDeg))
    return `${capital(nameOf(first))} and ${nameOf(second)} limit it alike, ${degText(first.givesDeg)} each`;
  if (first)
    return `${capital(nameOf(first))} is the main limit: ${shortOf(first)} short of ${degText(first.needDeg)}${second ? `. ${capital(nameOf(second))} may limit it as much, within the measuring error` : ''}`;
  if (reading.links.length === 0) return 'This goal is measured by its own number alone';
  if (reading.neverMeasured.length === reading.links.length)
    return 'No joint range is measured yet. The goal’s own measure says how far, not why';
  if (reading.neverMeasured.length > 0) return 'None of the joint ranges measured so far is short';
  return 'None of these joint ranges is short. What is missing lies elsewhere';
}

/** What else there is to say of a position, most weighty first. */
export function findingsOf(reading: PositionReading, allowanceDeg: number | undefined): Finding[] {
  const lead = leadText(reading);
  const found: Finding[] = [];
  const { unexplainedDeg: rest, openingDeg, openingFromLinksDeg } = reading;
  if (rest && openingDeg !== null && openingFromLinksDeg !== null) {
    const size = degApart(openingDeg, openingFromLinksDeg);
    const isPast = allowanceDeg !== undefined && rest.value > allowanceDeg;
    found.push({
      text:
        rest.value >= 0
          ? `${lead}${size} of the opening does not come from the joints measured (often the back or the feet)${isPast ? `. That is more than the usual ${degText(allowanceDeg)}: look at knees and feet` : ''}.`
          : `${lead}the joints allow ${size} more than the position shows.`,
      why: `Measured opening ${degText(openingDeg)}, less ${degText(openingFromLinksDeg)} that the joint ranges add up to. A turned pelvis, a soft knee, warmth, load or measuring may be in it. Two hinges are a model: expect it to be off by about ${degText(modelSdDeg)}; its change over time says more than its size.`
    });
  }
  for (const link of reading.links
    .filter((l) => l.activeGap?.trails)
    .toSorted((a, b) => b.activeGap!.difference - a.activeGap!.difference)
    .slice(0, 2))
    found.push({
      text: `${capital(nameOf(link))}: the active hold is ${degApart(...link.activeGap!.of)} short of the passive reach.`,
      why: `Passive reach ${degText(link.passive!.value)}, active hold ${degText(link.active!.value)}, measured alike; the difference is more than 1.96 times the error of both. Active work at the end of the range closes it.`
    });
  for (const link of reading.links.filter((l) => l.activeGap?.leads))
    found.push({
      text: `${capital(nameOf(link))}: the active hold reads ${degApart(...link.activeGap!.of)} further than the passive reach. Measure the passive one again.`,
      why: 'Nobody holds more than can be reached: the passive end was not reached, or two numbers are mixed up.'
    });
  if (reading.neverMeasured.length > 0)
    found.push({
      text: `Never measured: ${[...new Set(reading.neverMeasured.map(nameOf))].join(', ')}.`,
      why: 'A joint range that is not measured cannot be ruled out. The full set in Measure has it.'
    });
  return found;
}
