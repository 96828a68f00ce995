import { test as base, type BrowserContext, type Page } from '@playwright/test';

/** A page answers to the hand once it is alive; what is pressed before that would be lost. */
const untilAlive = (page: Page) => page.locator('html[data-alive]').waitFor({ state: 'attached' });

/** From here on every full load this page or test asks for ends when the page is alive. */
function waitsUntilAlive(page: Page): Page {
  for (const name of ['goto', 'reload'] as const) {
    const load = page[name].bind(page) as (...args: unknown[]) => ReturnType<Page['reload']>;
    Object.assign(page, {
      [name]: async (...args: unknown[]) => {
        const answer = await load(...args);
        if (answer?.headers()['content-type']?.startsWith('text/html')) await untilAlive(page);
        return answer;
      }
    });
  }
  return page;
}

/** Every page of this context waits so. */
export function allAlive(context: BrowserContext): BrowserContext {
  const open = context.newPage.bind(context);
  context.newPage = async () => waitsUntilAlive(await open());
  return context;
}

export const test = base.extend({
  context: async ({ context }, use) => use(allAlive(context))
});
