/** The player lives in the browser alone: its place and its outbox are kept there. */
export const ssr = false;
