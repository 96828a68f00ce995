// A data table: what an exercise may ask for, what else will do, and what to look at before it is leaned on. Common practice.

/** How one of a kind is told from another: by the heights it makes, by pull, by mass, or not at all. */
export type MeasuredBy = 'faces' | 'steps' | 'pull' | 'mass' | 'none';

export type Material = 'cork' | 'felt' | 'steel';

export type Equipment = Readonly<{
  id: string;
  name: string;
  measuredBy: MeasuredBy;
  /** How it is drawn: hard, soft, or a thing with legs or an anchor. */
  material: Material;
  /** What else will do, the better first: another kind, or plain words. */
  substitutes: readonly (Readonly<{ kind: string }> | Readonly<{ words: string }>)[];
  /** What to look at, since it may move, roll or let go. */
  mayMove?: string;
}>;

const kind = (id: string) => ({ kind: id });
const words = (text: string) => ({ words: text });

export const equipment = [
  { id: 'block', name: 'Block', material: 'cork', measuredBy: 'faces', substitutes: [kind('book'), kind('box')] },
  {
    id: 'cushion',
    name: 'Cushion',
    material: 'felt',
    measuredBy: 'faces',
    substitutes: [kind('blanket'), words('a pillow folded over')]
  },
  {
    id: 'bolster',
    name: 'Bolster',
    material: 'felt',
    measuredBy: 'faces',
    substitutes: [kind('cushion'), words('a blanket rolled firmly')]
  },
  { id: 'book', name: 'Book', material: 'cork', measuredBy: 'faces', substitutes: [kind('block')] },
  { id: 'blanket', name: 'Blanket', material: 'felt', measuredBy: 'faces', substitutes: [kind('towel'), kind('cushion')] },
  {
    id: 'mat',
    name: 'Mat',
    material: 'felt',
    measuredBy: 'faces',
    substitutes: [kind('blanket'), words('a carpet that does not slide')]
  },
  {
    id: 'pad',
    name: 'Knee pad',
    material: 'felt',
    measuredBy: 'faces',
    substitutes: [kind('blanket'), kind('towel'), words('the mat folded twice')]
  },
  { id: 'towel', name: 'Towel', material: 'felt', measuredBy: 'none', substitutes: [words('a shirt rolled up')] },
  {
    id: 'box',
    name: 'Box',
    material: 'steel',
    measuredBy: 'faces',
    substitutes: [kind('bench'), kind('block')],
    mayMove: 'The box stands on a floor it cannot slide on.'
  },
  {
    id: 'chair',
    name: 'Chair',
    material: 'steel',
    measuredBy: 'faces',
    substitutes: [kind('box'), kind('bench'), words('a bed or a low table')],
    mayMove: 'The chair stands against a wall; no wheels, no folding chair.'
  },
  {
    id: 'bench',
    name: 'Bench or low table',
    material: 'steel',
    measuredBy: 'faces',
    substitutes: [kind('chair'), kind('box'), words('a bed')],
    mayMove: 'The bench does not tip at its end.'
  },
  {
    id: 'stairs',
    name: 'Stairs',
    material: 'steel',
    measuredBy: 'steps',
    substitutes: [kind('box'), kind('bench')],
    mayMove: 'A hand on the rail.'
  },
  {
    id: 'slant',
    name: 'Slant board',
    material: 'steel',
    measuredBy: 'faces',
    substitutes: [kind('book'), words('a folded mat under the heels')],
    mayMove: 'The board does not slide.'
  },
  {
    id: 'strap',
    name: 'Strap',
    material: 'cork',
    measuredBy: 'none',
    substitutes: [kind('band'), kind('towel'), words('trousers or a belt')]
  },
  {
    id: 'band',
    name: 'Elastic band',
    material: 'cork',
    measuredBy: 'pull',
    substitutes: [kind('strap'), words('the other hand')],
    mayMove: 'The band is whole, and its anchor cannot move or let go.'
  },
  {
    id: 'weight',
    name: 'Weight',
    material: 'steel',
    measuredBy: 'mass',
    substitutes: [words('a bottle of water, a kilogram a litre'), words('a bag of books, weighed')]
  },
  { id: 'stick', name: 'Stick', material: 'cork', measuredBy: 'none', substitutes: [kind('strap'), words('a broom handle')] },
  {
    id: 'slider',
    name: 'Slider',
    material: 'cork',
    measuredBy: 'none',
    substitutes: [words('a sock on a smooth floor'), kind('towel')],
    mayMove: 'It is meant to slide: hands take weight before the foot moves.'
  },
  { id: 'wall', name: 'Wall', material: 'steel', measuredBy: 'none', substitutes: [words('a door that is shut and locked')] },
  {
    id: 'rail',
    name: 'Rail',
    material: 'steel',
    measuredBy: 'none',
    substitutes: [kind('wall'), kind('chair')],
    mayMove: 'The rail is fixed to the wall.'
  },
  {
    id: 'rings',
    name: 'Rings or suspension straps',
    material: 'steel',
    measuredBy: 'none',
    substitutes: [kind('band'), kind('rail')],
    mayMove: 'The anchor carries the whole body; test it with full weight first.'
  },
  {
    id: 'partner',
    name: 'Partner',
    material: 'cork',
    measuredBy: 'none',
    substitutes: [words('own elbows or hands'), kind('weight')],
    mayMove: 'The one being stretched controls the depth and says stop; the partner only follows.'
  },
  { id: 'shoes', name: 'Shoes', material: 'cork', measuredBy: 'none', substitutes: [words('a soft floor')] }
] as const satisfies readonly Equipment[];

export type EquipmentId = (typeof equipment)[number]['id'];

const byId = new Map<string, Equipment>(equipment.map((e) => [e.id, e]));

/** Throws: RangeError for a kind that is in no catalogue. */
export function equipmentOf(id: EquipmentId): Equipment {
  const found = byId.get(id);
  if (!found) throw new RangeError(`no equipment ${id}`);
  return found;
}

/** A wall, a mat or carpet and one's own clothes are everywhere, and stand on no shelf. */
export const everywhere: readonly EquipmentId[] = ['wall', 'mat', 'towel', 'shoes'];

/** Of the things needed those that are not at hand: neither themselves nor a kind that does in their place; what only does for that is too far. */
export const lacking = (needed: readonly EquipmentId[], atHand: ReadonlySet<string>): EquipmentId[] =>
  needed.filter((id) => {
    const there = new Set([...atHand, ...everywhere]);
    return !there.has(id) && !equipmentOf(id).substitutes.some((s) => 'kind' in s && there.has(s.kind));
  });

export type Substitute = Readonly<{ words: string; kind: EquipmentId | null; onShelf: boolean }>;

/**
 * What else will do for a kind that is not at hand: what stands on the shelf first, then plain words, then what would have to be fetched.
 * The substitutes of a substitute count too, after the first ones.
 */
export function substitutesFor(id: EquipmentId, atHand: ReadonlySet<string>): Substitute[] {
  const seen = new Set<string>([id]);
  const found: Substitute[] = [];
  const visit = (from: string, deeper: boolean): void => {
    for (const s of byId.get(from)?.substitutes ?? []) {
      if ('words' in s) {
        if (!deeper) found.push({ words: s.words, kind: null, onShelf: false });
        continue;
      }
      if (seen.has(s.kind)) continue;
      seen.add(s.kind);
      const onShelf = atHand.has(s.kind);
      const name = byId.get(s.kind)!.name;
      if (onShelf || !deeper) found.push({ words: name.toLowerCase(), kind: s.kind as EquipmentId, onShelf });
      if (!deeper && !onShelf) visit(s.kind, true);
    }
  };
  visit(id, false);
  const rank = (s: Substitute) => (s.onShelf ? 0 : s.kind === null ? 1 : 2);
  return found.toSorted((a, b) => rank(a) - rank(b));
}
