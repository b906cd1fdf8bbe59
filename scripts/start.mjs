// npm start: a shop of its own, empty at first, in a folder of its own. Database and server are started again when they end.
import { refuseDemo } from './demo-shop.mjs';
import { openShop } from './open.mjs';

await openShop('shop', { loaded: refuseDemo });
