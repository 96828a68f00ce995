/** What is read again while the demo is being filled: how far it is, and the list of people. */
export const demoProgressKey = 'demo:progress';
