import type { IncomingMessage } from 'node:http';
import type { StationId } from '$lib/contract/path';
import type { Database } from '$lib/server/db/db';
import type { DemoProgress } from '$lib/server/demo/fillDemo';
import type { PhotoFiles } from '$lib/server/photos/photoFiles';
import type { CaseMemory } from '$lib/server/service/caseMemory';
import type { ClientCase } from '$lib/server/service/clientCase';
import type { Studio } from '$lib/server/db/openStudio';

declare global {
  namespace App {
    interface Platform {
      req: IncomingMessage;
    }
    interface Locals {
      studio: Pick<Studio, 'restored' | 'restoredRead'>;
      db: Database;
      photoFiles: PhotoFiles;
      /** How far the fill of the demo is by now; null where there is none to wait for. */
      demoProgress(): DemoProgress | null;
      now: Date;
      /** The studio's calendar date. */
      today: string;
      theme: 'light' | 'dark' | 'system';
      /** Stations whose hint was not read on this device yet. */
      hintsLeft: readonly StationId[];
      /** Everything about one client: one and the same for a request. */
      caseOf(clientId: number): Promise<ClientCase>;
      memory: CaseMemory;
    }
  }
}

export {};
