import { benchBrowser } from './browser';
await benchBrowser();
