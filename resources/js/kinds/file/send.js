import { ask, Refused, SignedOut, Unreachable } from '../../common/ask.js';
import { inWords } from '../../common/words.js';

/** Tries of one slice before it is given up, each a longer while after the one before. */
const TRIES = 6;

/** Milliseconds that one slice may take. */
const PATIENCE = 120000;

/** @param {number} bytes @returns {string} */
const size = (bytes) =>
    bytes < 1024 * 1024
        ? inWords('file.send.kb', { size: Math.max(1, Math.round(bytes / 1024)) })
        : inWords('file.send.mb', { size: (bytes / 1024 / 1024).toFixed(1) });

/**
 * A line that tells how far a file has come, and asks what has to be asked about it.
 *
 * @param {HTMLElement} list
 * @param {File} file
 */
function line(list, file) {
    const row = document.createElement('li');
    const said = document.createElement('span');
    const bar = document.createElement('progress');
    bar.max = 1;
    bar.setAttribute('aria-label', inWords('file.send.how_much_of_has_come', { name: file.name }));
    row.append(said, bar);
    list.append(row);
    /** @param {string} text */
    const say = (text) => {
        said.textContent = text;
    };
    return {
        say,
        /** @param {number} share */
        come: (share) => {
            bar.value = share;
        },
        /** @param {string} text */
        end: (text) => {
            bar.remove();
            say(text);
        },
        /** @param {string} to */
        there: (to) => {
            bar.remove();
            const link = document.createElement('a');
            link.href = to;
            link.textContent = file.name;
            said.replaceChildren(link, inWords('file.send.is_there'));
        },
        /**
         * @param {string} question
         * @param {[string, string][]} choices what each is worth, and what it says
         * @returns {Promise<string>}
         */
        choose: (question, choices) =>
            new Promise((resolve) => {
                say(question);
                const group = document.createElement('span');
                group.className = 'file-choices';
                for (const [value, text] of choices) {
                    const button = document.createElement('button');
                    button.type = 'button';
                    button.className = 'button';
                    button.textContent = text;
                    button.addEventListener('click', () => {
                        group.remove();
                        resolve(value);
                    });
                    group.append(button);
                }
                row.append(group);
                /** @type {HTMLElement} */ (group.firstElementChild).focus();
            }),
        /** @param {() => void} stop */
        stoppable: (stop) => {
            const button = document.createElement('button');
            button.type = 'button';
            button.className = 'button is-quiet';
            button.textContent = inWords('file.send.stop');
            button.addEventListener('click', stop);
            row.append(button);
            return () => button.remove();
        },
    };
}

/** @param {number} tries @returns {Promise<void>} */
const wait = (tries) => new Promise((resolve) => setTimeout(resolve, Math.min(20000, 500 * 2 ** tries)));

/**
 * Asks until there is an answer; what the server is too busy for, or a line that is gone for a while, is tried again. For what may be asked
 * twice.
 *
 * @param {(text: string) => void} say
 * @param {Parameters<typeof ask>} asked
 * @returns {Promise<any>}
 */
async function patiently(say, ...asked) {
    for (let tries = 0; ; tries++) {
        try {
            return await ask(...asked);
        } catch (error) {
            if (!(error instanceof Unreachable) || tries >= TRIES) throw error;
            say(inWords('file.send.the_server_is_not_reachable_it'));
            await wait(tries);
        }
    }
}

/**
 * @param {File} file
 * @param {{begin: string, named: string, item: string | null}} way
 * @param {ReturnType<typeof line>} row
 * @returns {Promise<string | null>} where it is looked at; null when it was not sent
 */
async function send(file, way, row) {
    let item = way.item;
    if (item === null) {
        const there = await patiently(row.say, `${way.named}?name=${encodeURIComponent(file.name)}`);
        if (there.found !== null) {
            const chosen = await row.choose(there.said, [
                ['next', inWords('file.send.its_next_version')],
                ['other', inWords('file.send.another_file')],
                ['none', inWords('file.send.cancel')],
            ]);
            if (chosen === 'none') {
                row.end(inWords('file.send.was_not_sent', { name: file.name }));
                return null;
            }
            item = chosen === 'next' ? there.found : null;
        }
    }
    const { url, slice } = await patiently(row.say, way.begin, { method: 'POST', json: { name: file.name, size: file.size, item } });
    let stopped = false;
    let unstoppable = () => {};
    /** @type {Promise<null>} */
    const stopping = new Promise((resolve) => {
        unstoppable = row.stoppable(() => {
            stopped = true;
            resolve(null);
        });
    });
    for (let at = 0; at < file.size && !stopped; ) {
        const bytes = file.slice(at, at + slice);
        const come = await Promise.race([patiently(row.say, `${url}?at=${at}`, { method: 'PUT', bytes, timeout: PATIENCE }), stopping]);
        if (come === null) break;
        const { got } = come;
        if (got === at) throw new Refused(422, { message: inWords('file.send.it_stopped_coming_on_nothing_was') });
        at = got;
        row.say(inWords('file.send.of', { name: file.name, at: size(at), size: size(file.size) }));
        row.come(at / file.size);
    }
    unstoppable();
    if (stopped) {
        await ask(url, { method: 'DELETE' });
        row.end(inWords('file.send.was_not_sent', { name: file.name }));
        return null;
    }
    row.say(inWords('file.send.is_being_kept', { name: file.name }));
    return (await ask(url, { method: 'POST', timeout: PATIENCE })).to;
}

/** @param {unknown} error @param {string} name @returns {string} */
function why(error, name) {
    if (error instanceof Refused) return `${name}: ${error.message}`;
    if (error instanceof SignedOut) return inWords('file.send.was_not_sent_you_are_signed', { name });
    return inWords('file.send.was_not_sent_the_server_is', { name });
}

/**
 * Files that are chosen, dropped anywhere on the page, or pasted.
 *
 * @param {HTMLElement} root
 */
export function attachDrops(root) {
    const zone = /** @type {HTMLElement | null} */ (root.querySelector('[data-drop]'));
    if (zone === null) return;
    const way = JSON.parse(zone.dataset.drop ?? '{}');
    const list = /** @type {HTMLElement} */ (zone.querySelector('[data-way]'));
    /** @param {File[]} files */
    const take = async (files) => {
        zone.classList.add('is-busy');
        const wanted = way.item === null ? files : files.slice(0, 1);
        const all = [];
        for (const file of wanted) {
            const row = line(list, file);
            row.say(file.name);
            try {
                const to = await send(file, way, row);
                if (to !== null) {
                    all.push(to);
                    row.there(to);
                }
            } catch (error) {
                row.end(why(error, file.name));
            }
        }
        zone.classList.remove('is-busy');
        if (all.length === 1 && wanted.length === 1) window.location.assign(all[0]);
    };
    const input = /** @type {HTMLInputElement | null} */ (zone.querySelector('input[type="file"]'));
    input?.addEventListener('change', () => {
        const files = [...(input.files ?? [])];
        input.value = '';
        take(files);
    });
    zone.querySelector('form')?.addEventListener('submit', (event) => event.preventDefault());
    /** @param {DataTransfer | null} data */
    const hasFiles = (data) => [...(data?.types ?? [])].some((type) => type.toLowerCase() === 'files');
    document.addEventListener('dragover', (event) => {
        if (!hasFiles(event.dataTransfer)) return;
        event.preventDefault();
        zone.classList.add('is-over');
    });
    document.addEventListener('dragleave', (event) => event.relatedTarget === null && zone.classList.remove('is-over'));
    document.addEventListener('drop', (event) => {
        zone.classList.remove('is-over');
        if (!hasFiles(event.dataTransfer)) return;
        event.preventDefault();
        take([...(event.dataTransfer?.files ?? [])]);
    });
    document.addEventListener('paste', (event) => {
        const files = [...(event.clipboardData?.files ?? [])];
        const isTyping = event.target instanceof HTMLElement && event.target.matches('input, textarea, [contenteditable]');
        if (files.length > 0 && !isTyping) take(files);
    });
}
