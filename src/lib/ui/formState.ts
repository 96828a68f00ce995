import type { Problem } from '$lib/contract/problem';
import { problemText } from './problemText';

/** What an action gives back when it could not do as asked. */
export type FormState =
  { problem?: Problem; typed?: Readonly<Record<string, string | string[]>>; form?: string } | null | undefined;

/** What stands in a field: what was typed, else what is known. */
export function typedOr(form: FormState, name: string, known: string | number | null | undefined): string {
  const typed = form?.typed?.[name];
  return typeof typed === 'string' ? typed : String(known ?? '');
}

/** A choice as it was typed; what was never offered is none of ours, and shows as what is known. */
export function chosenOr<T extends string, K>(form: FormState, name: string, offered: readonly T[], known: K): T | K {
  const typed = form?.typed?.[name];
  return offered.find((o) => o === typed) ?? known;
}

/** The message beside a field, if it has one. */
export const fieldError = (form: FormState, name: string): string | undefined =>
  form?.problem?.code === 'invalid_input' ? form.problem.fields[name]?.[0] : undefined;

/** What can be chosen from a list, in groups; a group without a label has no heading. */
export type Option = Readonly<{ value: string; label: string }>;
export type OptionGroup = Readonly<{ label: string; options: readonly Option[] }>;

/** A field that knows its form: what was typed and what is wrong are its form's to say; else its own value and message. */
export type OfForm = Readonly<{
  form?: FormState;
  /** What is known, where nothing was typed. */
  known?: string | number | null;
  value?: string;
  error?: string;
}>;

/** One of a list: the device's own (Select), or found by a part of its name where there are very many (Finder). */
export type OfList = OfForm &
  Readonly<{ label: string; name: string; groups: readonly OptionGroup[]; hint?: string; onchange?: (value: string) => void }>;

export const shownIn = ({ form, known, value }: OfForm, name: string): string =>
  form === undefined && known === undefined ? (value ?? '') : typedOr(form, name, known);
export const messageIn = ({ form, error }: OfForm, name: string): string | undefined => error ?? fieldError(form, name);

/** The message above a form. */
export const formProblem = (form: FormState): string | undefined => (form?.problem ? problemText(form.problem) : undefined);
