import { equipmentOf, type EquipmentId } from '$lib/core';

/** A piece that belongs to a goal and is not in its first list; without things that are lacking nothing of its kind is open now. */
export type MissingPiece = Readonly<{ name: string; lacks: readonly EquipmentId[] }>;

/** Says which piece is left out of a first list, and what would bring it in. */
export function missingPieceText({ name, lacks }: MissingPiece): string {
  const things = new Intl.ListFormat('en', { type: 'conjunction' }).format(lacks.map((id) => equipmentOf(id).name.toLowerCase()));
  return lacks.length > 0
    ? `Left out, for want of ${things}: ${name}. It comes in once that is on the shelf.`
    : `Left out: ${name}. Nothing of its kind is open for this person now.`;
}
