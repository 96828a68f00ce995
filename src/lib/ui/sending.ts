import { deserialize } from '$app/forms';
import { invalidateAll } from '$app/navigation';
import type { SubmitFunction } from '@sveltejs/kit';
import { toast } from 'svelte-sonner';

/** For `use:enhance`: what was typed stays in the form, whatever comes of it. */
export const keepTyped: SubmitFunction =
  () =>
  async ({ update }) =>
    update({ reset: false });

type Fields = Readonly<Record<string, string | number>>;

/** Posts to a form action of this page without a form, and shows what changed. True when it was done. */
export async function postAction(action: string, fields: Fields): Promise<boolean> {
  const body = new FormData();
  for (const [name, value] of Object.entries(fields)) body.set(name, String(value));
  const isDone = await fetch(action, { method: 'POST', body })
    .then(async (response) => deserialize(await response.text()).type === 'success')
    .catch(() => false);
  if (isDone) await invalidateAll();
  return isDone;
}

type Undoable = Readonly<{
  told: string;
  /** What hangs on it. */
  description?: string;
  /** The action that takes it back. */
  action: string;
  fields: Fields;
}>;

/** Long enough to be read and reached: longer where more is told. */
const shownMs = (description?: string): number => (description ? 12_000 : 6_000);

async function takeBack(action: string, fields: Fields): Promise<void> {
  if (!(await postAction(action, fields))) toast.error('It could not be brought back. Try again.');
}

/** For `use:enhance`: what was done is told with the way back, once it is done and not before; `then` goes on from there. */
export const undoable =
  (undo: (done: Readonly<Record<string, unknown>>) => Undoable, then?: () => Promise<void>): SubmitFunction =>
  () =>
  async ({ result, update }) => {
    const isDone = result.type === 'success';
    if (isDone) {
      const { told, description, action, fields } = undo(result.data ?? {});
      toast(told, {
        description,
        duration: shownMs(description),
        action: { label: 'Undo', onClick: () => void takeBack(action, fields) }
      });
    }
    await (isDone && then ? then() : update({ reset: false }));
  };
