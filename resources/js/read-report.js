import { attachCharts } from './kinds/report/read.js';

attachCharts(document.body);
