import MiniSearch from 'minisearch';
import { motionOf, type MotionId } from '../body/motions';
import type { Goal } from '../goal/goal';
import type { Exercise, ExercisePhase, StartPosition } from './exercise';
import { motionOfDemand } from './goalExercises';

/** What is looked for; what is left out does not narrow. */
export type ExerciseQuery = Readonly<{
  text?: string;
  link?: MotionId;
  position?: StartPosition;
  phase?: ExercisePhase;
  /** Only what can be done with these kinds of things, where others are needed. */
  atHand?: ReadonlySet<string>;
  goal?: Pick<Goal, 'id' | 'demands'>;
  /** Not what is for private places only. */
  publicOnly?: boolean;
}>;

const indexes = new WeakMap<readonly Exercise[], MiniSearch>();

/** A motion by the word of the pages and by the term of the field. */
const motionWords = (id: MotionId): string[] => [motionOf(id).name, motionOf(id).term];

/** The words of a catalogue, indexed once for as long as the catalogue lives. */
function indexOf(catalogue: readonly Exercise[]): MiniSearch {
  const known = indexes.get(catalogue);
  if (known) return known;
  const index = new MiniSearch({
    fields: ['name', 'aliases', 'standardTerm', 'family', 'links', 'words'],
    searchOptions: { boost: { name: 4, aliases: 3, standardTerm: 2 }, prefix: true, fuzzy: 0.25, combineWith: 'AND' }
  });
  index.addAll(
    catalogue.map((e) => ({
      id: e.id,
      name: e.name,
      aliases: e.aliases.join(' '),
      standardTerm: e.standardTerm ?? '',
      family: e.family,
      links: e.links.join(' '),
      words: [e.position, ...e.phases, ...e.kinds, ...e.also, ...e.links.flatMap(motionWords), e.felt, e.why].join(' ')
    }))
  );
  indexes.set(catalogue, index);
  return index;
}

/**
 * The exercises that answer a query, the nearest first; without a text in the order of the catalogue.
 *
 * Model:  every word of the text must be found, by its beginning or with a quarter of its letters wrong; names before aliases before
 *         the rest. A goal asks for what trains one of its motions, or is its position.
 */
export function findExercises(catalogue: readonly Exercise[], query: ExerciseQuery): Exercise[] {
  const text = query.text?.trim() ?? '';
  const found = text === '' ? catalogue : byText(catalogue, text);
  const motions = new Set(query.goal?.demands.flatMap((d) => motionOfDemand(d.measure) ?? []));
  return found.filter(
    (e) =>
      (!query.link || e.links.includes(query.link)) &&
      (!query.position || e.position === query.position || e.position === 'any') &&
      (!query.phase || e.phases.includes(query.phase)) &&
      (!query.goal || e.positionOf.includes(query.goal.id) || e.links.some((l) => motions.has(l))) &&
      (!query.atHand || e.props.every((p) => p.optional || query.atHand!.has(p.id))) &&
      !(query.publicOnly && e.privatePlace)
  );
}

function byText(catalogue: readonly Exercise[], text: string): Exercise[] {
  const byId = new Map(catalogue.map((e) => [e.id, e]));
  return indexOf(catalogue)
    .search(text)
    .flatMap(({ id }) => byId.get(String(id)) ?? []);
}
