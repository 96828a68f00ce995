/** Names the page data that are read again while the demo is being filled: the progress and the list of people. */
export const demoProgressKey = 'demo:progress';
