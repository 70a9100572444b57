import { expose } from 'comlink';
import { groundApi } from './ground.api';

expose(groundApi);
