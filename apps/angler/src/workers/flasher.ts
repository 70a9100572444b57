import { expose } from 'comlink';
import { flasherApi } from './flasher.api';

expose(flasherApi);
