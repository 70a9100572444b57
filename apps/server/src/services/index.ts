import type { Clock } from '../clock';
import type { Bodies } from '../bodies';
import type { Accounts, SignUp } from './accounts';
import type { Archives } from './archives';
import type { CrewNews } from './crew-news';
import type { Crews } from './crews';
import type { FlasherFeed } from './flasher-feed';
import type { Ledger } from './ledger';
import type { Mailer } from './mailer';
import type { Photos } from './photos';
import type { Sessions } from './sessions';
import type { Weather } from './weather';
import type { Waters } from './waters';
import type { Winters } from './winters';

/** What the routes call. */
export interface Services {
  accounts: Accounts;
  sessions: Sessions;
  archives: Archives;
  bodies: Bodies;
  mailer: Mailer;
  ledger: Ledger;
  photos: Photos;
  waters: Waters;
  winters: Winters;
  weather: Weather;
  crews: Crews;
  crewNews: CrewNews;
  flasher: FlasherFeed;
  /** The clock of an account's waters: the scenario's for the demo's own, else the server's. */
  clockOf: (account: { isDemo: boolean } | null) => Clock;
  demo: boolean;
  signUp: SignUp;
}
