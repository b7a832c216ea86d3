/** What is before decimals where somebody writes numbers so, and between thousands, is that of a locale. @type {Record<string, string>} */
const LOCALES = { comma: 'de-DE', space: 'fr-FR' };

/** A number that the place says, in the way of whoever reads. @param {number} number */
export const figure = (number) => number.toLocaleString(LOCALES[globalThis.document?.documentElement.dataset.numbers ?? ''] ?? 'en-GB');
