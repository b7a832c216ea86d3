import { attachCharts } from './report/read.js';

attachCharts(document.body);
