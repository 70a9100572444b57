import { expose } from 'comlink';
import { columnApi } from './column.api';

expose(columnApi);
