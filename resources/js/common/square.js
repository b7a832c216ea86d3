import qrcode from 'qrcode-generator';

/** Draws what a device reads, as a square of dots (ISO/IEC 18004). @param {HTMLElement} root */
export function attachSquare(root) {
    for (const place of /** @type {NodeListOf<HTMLElement>} */ (root.querySelectorAll('[data-square]'))) {
        const square = qrcode(0, 'M');
        square.addData(place.dataset.square ?? '');
        square.make();
        const [count, edge, name] = [square.getModuleCount(), 4, 'http://www.w3.org/2000/svg'];
        const drawn = document.createElementNS(name, 'svg');
        drawn.setAttribute('viewBox', `${-edge} ${-edge} ${count + 2 * edge} ${count + 2 * edge}`);
        const dots = document.createElementNS(name, 'path');
        let path = '';
        for (let row = 0; row < count; row++)
            for (let column = 0; column < count; column++) if (square.isDark(row, column)) path += `M${column} ${row}h1v1h-1z`;
        dots.setAttribute('d', path);
        drawn.append(dots);
        place.replaceChildren(drawn);
    }
}
