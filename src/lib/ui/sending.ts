import { deserialize } from '$app/forms';
import { invalidateAll } from '$app/navigation';

/** Posts to a form action of this page without a form, and shows what changed. True when it was done. */
export async function postAction(action: string, fields: Readonly<Record<string, string | number>>): Promise<boolean> {
  const body = new FormData();
  for (const [name, value] of Object.entries(fields)) body.set(name, String(value));
  const response = await fetch(action, { method: 'POST', body });
  const isDone = deserialize(await response.text()).type === 'success';
  if (isDone) await invalidateAll();
  return isDone;
}
