/* A line that follows the pointer over a picture, so that marks far apart can be put against one another. The page is whole without it. */
for (const picture of document.querySelectorAll('figure svg')) {
    const make = (name) => picture.appendChild(document.createElementNS('http://www.w3.org/2000/svg', name));
    const lines = [make('line'), make('line')];
    for (const line of lines) {
        line.setAttribute('stroke', '#4c5d55');
        line.setAttribute('stroke-width', '0.75');
        line.setAttribute('stroke-dasharray', '3 3');
        line.setAttribute('pointer-events', 'none');
        line.style.display = 'none';
    }
    picture.addEventListener('pointermove', (event) => {
        const { left, top, width, height } =
            picture.viewBox.baseVal.width === 0 ? { left: 0, top: 0, width: 0, height: 0 } : picture.getBoundingClientRect();
        if (width === 0 || height === 0) {
            return;
        }
        const box = picture.viewBox.baseVal;
        const x = box.x + ((event.clientX - left) / width) * box.width;
        const y = box.y + ((event.clientY - top) / height) * box.height;
        const ends = [
            { x1: x, x2: x, y1: box.y, y2: box.y + box.height },
            { x1: box.x, x2: box.x + box.width, y1: y, y2: y },
        ];
        lines.forEach((line, i) => {
            for (const [name, value] of Object.entries(ends[i])) {
                line.setAttribute(name, value);
            }
            line.style.display = '';
        });
    });
    picture.addEventListener('pointerleave', () => lines.forEach((line) => (line.style.display = 'none')));
}
