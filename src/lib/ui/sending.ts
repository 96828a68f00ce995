import { deserialize } from '$app/forms';
import { invalidateAll } from '$app/navigation';
import type { ActionResult, SubmitFunction } from '@sveltejs/kit';
import { tell, tellFault } from './toasts';

type Answered = Readonly<{
  formElement: HTMLFormElement;
  result: ActionResult;
  update: (options?: { reset?: boolean }) => Promise<void>;
}>;

/** What a send that brought no answer, or a fault, is told as. The form stays as it was typed. */
function failureText({ status, error }: Extract<ActionResult, { type: 'error' }>): string {
  const kept = 'What you typed is still here.';
  if (status === undefined) return `The studio does not answer. ${kept} Send it again when it is back.`;
  if (status === 413) return `This is more than the studio takes at once. ${kept}`;
  const told = (error as { message?: string } | undefined)?.message;
  return `${told ?? 'Something went wrong there.'} ${kept}`;
}

/**
 * For `use:enhance`: one send at a time, the buttons rest meanwhile; where no answer comes, or a fault, that is told and the form
 * stays as it is. `then` goes on with any other answer.
 */
export const sending =
  (then: (answered: Answered) => Promise<void>): SubmitFunction =>
  ({ formElement, cancel }) => {
    if (formElement.dataset.sending !== undefined) {
      cancel();
      return;
    }
    formElement.dataset.sending = '';
    const around = placesAround(formElement);
    const { pathname } = location;
    const resting = [...formElement.querySelectorAll('button:not([type="button"])')];
    for (const button of resting) button.setAttribute('aria-disabled', 'true');
    return async (answered) => {
      delete formElement.dataset.sending;
      for (const button of resting) button.removeAttribute('aria-disabled');
      if (answered.result.type === 'error') tellFault(failureText(answered.result), { duration: Infinity });
      else await then(answered);
      if (location.pathname === pathname) keepFocus(around);
    };
  };

/** What a form stands in, from the nearest. */
function placesAround(form: HTMLElement): HTMLElement[] {
  const places: HTMLElement[] = [];
  for (let at: HTMLElement | null = form; at && at !== document.body; at = at.parentElement) places.push(at);
  return places;
}

/** Where what was pressed went with what it did, the focus goes on in the nearest place that is still there, never to the body. */
function keepFocus(around: readonly HTMLElement[]): void {
  if (document.activeElement !== document.body) return;
  const place = around.find((at) => at.isConnected);
  const next = place?.querySelector<HTMLElement>('a[href], button, input:not([type="hidden"]), select, textarea, summary');
  next?.focus({ preventScroll: true });
}

/** Where something is wrong the hand is led there: to the first field that says so, out of whatever is folded over it. */
function focusFirstError(form: HTMLFormElement): void {
  const wrong = form.querySelector<HTMLElement>('[aria-invalid="true"]');
  for (let fold = wrong?.closest('details'); fold; fold = fold.parentElement?.closest('details')) fold.open = true;
  const inside = wrong?.matches('[role="radiogroup"], fieldset') ? wrong.querySelector<HTMLElement>('input, button') : wrong;
  inside?.focus();
}

/** For `use:enhance`: what was typed stays in the form, whatever comes of it. */
export const keepTyped: SubmitFunction = sending(async ({ update, result, formElement }) => {
  await update({ reset: false });
  if (result.type === 'failure') focusFirstError(formElement);
});

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
  if (!(await postAction(action, fields))) tellFault('It could not be brought back. Try again.');
}

/** For `use:enhance`: what was done is told with the way back, once it is done and not before; `then` goes on from there. */
export const undoable = (
  undo: (done: Readonly<Record<string, unknown>>) => Undoable,
  then?: () => Promise<void>
): SubmitFunction =>
  sending(async ({ result, update }) => {
    const isDone = result.type === 'success';
    if (isDone) {
      const { told, description, action, fields } = undo(result.data ?? {});
      tell(told, {
        description,
        duration: shownMs(description),
        action: { label: 'Undo', onClick: () => void takeBack(action, fields) }
      });
    }
    await (isDone && then ? then() : update({ reset: false }));
  });
