import type { TopicInput } from '$lib/contract/checkForms';

/** What an open card says before it is kept. */
export type CardAnswers = Omit<TopicInput, 'week'>;
