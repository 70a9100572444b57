import type { Clock } from '../clock';
import type { Accounts } from './accounts';
import type { FlasherFeed } from './flasher-feed';
import type { Ledger } from './ledger';
import type { Station } from './station';
import type { Waters } from './waters';

/** What the routes call. */
export interface Services {
  accounts: Accounts;
  ledger: Ledger;
  waters: Waters;
  station: Station;
  flasher: FlasherFeed;
  clock: Clock;
  demo: boolean;
}
