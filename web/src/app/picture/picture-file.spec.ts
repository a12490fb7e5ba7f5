import { pictureFile } from './picture-file';

const space = 'http://www.w3.org/2000/svg';

/** A drawing that is zoomed and moved, with a card that CSS has put in its place. */
function drawing(name: string): SVGSVGElement {
  const svg = document.createElementNS(space, 'svg');
  svg.innerHTML = `<g transform="translate(-400 90) scale(3)">
    <path class="grip" d="M0 0h9" />
    <g class="card" tabindex="0" role="button" aria-label="a" data-part="R1" style="transform: translate(30px, 40px)">
      <rect class="plate" width="100" height="50" /><text></text>
    </g>
  </g>`;
  const text = svg.querySelector('text');
  if (text) text.textContent = name;
  Object.assign(svg.querySelector('g') as object, {
    getBBox: () => ({ x: 30, y: 40, width: 100, height: 50 }),
  });
  return svg;
}
const read = (file: string): Document => new DOMParser().parseFromString(file, 'image/svg+xml');

it('is as large as what is drawn and 16 px around, whatever part of it is looked at', () => {
  const { documentElement: root } = read(pictureFile(drawing('Load'), 'Beam'));
  expect(root.getAttribute('viewBox')).toBe('14 24 132 82');
  expect(root.querySelector('g')?.hasAttribute('transform')).toBe(false);
  // What CSS had moved stands there by itself.
  expect(root.querySelector('g g')?.getAttribute('transform')).toBe('translate(30 40)');
});

it('leaves out what only an application wants', () => {
  const file = pictureFile(drawing('Load'), 'Beam');
  expect(file).not.toMatch(/tabindex|role=|aria-|data-part|style="/);
  expect(read(file).querySelector('.grip')).toBeNull();
});

it.each(['</title><script>alert(1)</script>', '<img src=x onerror=1>', ']]>&"\'', '北の艇庫'])(
  'holds %s as a name and as a title, and runs nothing',
  (hostile) => {
    const file = read(pictureFile(drawing(hostile), hostile));
    expect(file.querySelector('parsererror, script, img')).toBeNull();
    expect(file.querySelector('title')?.textContent).toBe(hostile);
    expect(file.querySelector('text')?.textContent).toBe(hostile);
  },
);
