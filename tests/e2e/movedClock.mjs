// Loaded before a server of the tests: its clock runs so many milliseconds ahead as stand in a file, so that a test can let weeks go by.
import { readFileSync } from 'node:fs';

const RealDate = Date;
const aheadMs = () => Number(readFileSync(process.env.CLOCK_FILE, 'utf8'));

globalThis.Date = class extends RealDate {
  constructor(...of) {
    if (of.length === 0) super(RealDate.now() + aheadMs());
    else super(...of);
  }
  static now() {
    return RealDate.now() + aheadMs();
  }
};
