import { theme } from './parts/theme-switch.js';
import { thread } from './parts/thread.js';
import { charts } from './parts/chart-reader.js';
import { why } from './parts/why.js';
import { keys } from './parts/keys.js';
import { exchange } from './parts/exchange.js';
import { columns } from './parts/columns.js';
import { guard } from './parts/guard.js';
import { priceSheet } from './parts/price-sheet.js';
import { growth } from './parts/growth.js';
import { readings } from './parts/readings.js';
import { fold } from './parts/fold.js';
import { live } from './parts/live.js';
import { otherVersion } from './parts/other-version.js';
import { places } from './parts/places.js';
import { remarks } from './parts/remarks.js';
import { firmness } from './parts/firmness.js';

[theme, thread, charts, why, keys, exchange, columns, guard, priceSheet, growth, fold, readings, places, remarks, otherVersion, firmness, live].forEach((start) => start(document));
