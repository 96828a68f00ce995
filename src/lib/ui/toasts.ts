import type { Component } from 'svelte';
import type { ExternalToast, ToasterProps } from 'svelte-sonner';

// Nothing of a page waits for what is told beside it: it comes after the page, and is there before the studio may be away.
const loading = () => import('svelte-sonner');

/** The place where it is told, once it is there. */
export const loadToaster = async (): Promise<Component<ToasterProps>> => (await loading()).Toaster;

/** Tells something beside the page, for a while. */
export const tell = (text: string, how: ExternalToast = {}): void => void loading().then(({ toast }) => toast(text, how));

/** Tells that something went wrong. */
export const tellFault = (text: string, how: ExternalToast = {}): void =>
  void loading().then(({ toast }) => toast.error(text, how));
