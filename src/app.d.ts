import type { Database } from '$lib/server/db/db';
import type { ClientCase } from '$lib/server/service/clientCase';

declare global {
  namespace App {
    interface Locals {
      db: Database;
      now: Date;
      /** The studio's calendar date. */
      today: string;
      theme: 'light' | 'dark' | 'system';
      /** Everything about one client, loaded once a request. */
      caseOf(clientId: number): Promise<ClientCase>;
    }
  }
}

export {};
