import said from '../../../lang/en/scripts.json' with { type: 'json' };

/**
 * A text of the interface: what follows a colon is filled in.
 *
 * @param {keyof typeof said} key
 * @param {Record<string, string | number | null | undefined>} [values]
 * @returns {string}
 */
export const inWords = (key, values = {}) => said[key].replace(/:([a-z_\d]+)/g, (as, name) => (name in values ? String(values[name]) : as));
