/** @param {HTMLElement} root */
export async function attach(root) {
    if (root.querySelector('[data-report]')) (await import('./report.js')).attachReport(root);
    else (await import('./read.js')).attachCharts(root);
}
