import type { Database } from '$lib/server/db/db';
import type { PhotoFiles } from '$lib/server/photos/photoFiles';
import type { ClientCase } from '$lib/server/service/clientCase';

declare global {
  namespace App {
    interface Locals {
      db: Database;
      photoFiles: PhotoFiles;
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
