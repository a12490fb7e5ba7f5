/** What makes a drawing look as it does; a file has no style sheet of ours. */
const looks = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'letter-spacing',
  'text-anchor',
  'text-decoration',
  'opacity',
] as const;
/** Room around the drawing, px. */
const margin = 16;
/** Pixels for each of the drawing's. */
const sharpness = 2;
const svgSpace = 'http://www.w3.org/2000/svg';

/**
 * A drawn circuit as an SVG file of its own: as large as what is drawn, whatever part of it is looked at, with its
 * looks written into it and letters of the app's own fonts.
 *
 * @param fonts rules `@font-face` that bring the fonts along
 */
export function pictureFile(drawn: SVGSVGElement, title: string, fonts = ''): string {
  const paper = drawn.querySelector('g') as SVGGElement;
  const box = paper.getBBox();
  const copy = drawn.cloneNode(true) as SVGSVGElement;
  const [from, to] = [all(drawn), all(copy)];
  from.forEach((element, i) => {
    const other = to[i];
    if (other) dress(element, other);
  });
  const [width, height] = [box.width + 2 * margin, box.height + 2 * margin];
  for (const name of [...copy.attributes].map((a) => a.name)) copy.removeAttribute(name);
  copy.setAttribute('width', String(Math.ceil(width)));
  copy.setAttribute('height', String(Math.ceil(height)));
  copy.setAttribute('viewBox', `${box.x - margin} ${box.y - margin} ${width} ${height}`);
  copy.querySelector('g')?.removeAttribute('transform');
  copy.querySelectorAll('.hit, .grip, .band').forEach((e) => e.remove());
  const about = document.createElementNS(svgSpace, 'title');
  about.textContent = title;
  const style = document.createElementNS(svgSpace, 'style');
  style.textContent = fonts;
  const ground = document.createElementNS(svgSpace, 'rect');
  ground.setAttribute('x', String(box.x - margin));
  ground.setAttribute('y', String(box.y - margin));
  ground.setAttribute('width', '100%');
  ground.setAttribute('height', '100%');
  ground.setAttribute('fill', getComputedStyle(document.body).backgroundColor || '#fff');
  copy.prepend(about, style, ground);
  return new XMLSerializer().serializeToString(copy);
}

const all = (root: SVGElement): SVGElement[] => [...root.querySelectorAll<SVGElement>('*')];

/** Writes the looks of an element into its copy, and what an application wants of it out. */
function dress(element: SVGElement, copy: SVGElement): void {
  const style = getComputedStyle(element);
  const moved = /translate\(([-\d.]+)px,?\s*([-\d.]+)?p?x?\)/.exec(element.style.transform);
  for (const { name } of [...copy.attributes])
    if (/^(class|style|tabindex|role|aria-|data-|_ng)/.test(name) && name !== 'class')
      copy.removeAttribute(name);
  if (moved) copy.setAttribute('transform', `translate(${moved[1]} ${moved[2] ?? 0})`);
  if (element instanceof SVGGElement || element.tagName === 'title') return;
  for (const name of looks) {
    const value = style.getPropertyValue(name);
    if (value !== '' && value !== 'normal' && value !== 'none 0s ease 0s')
      copy.setAttribute(name, value);
  }
}

/** The same as PNG, twice as sharp as it is on the screen. */
export async function picturePng(svg: string): Promise<Blob> {
  const address = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = address;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = sharpness * image.width;
    canvas.height = sharpness * image.height;
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((done, fail) =>
      canvas.toBlob((blob) => (blob ? done(blob) : fail(new Error('It could not be drawn.')))),
    );
  } finally {
    URL.revokeObjectURL(address);
  }
}

/** The page's own fonts as `@font-face` rules that hold them. */
export async function fontsOfPage(): Promise<string> {
  const rules = [...document.styleSheets]
    .flatMap((sheet) => [...sheet.cssRules])
    .filter((rule): rule is CSSFontFaceRule => rule instanceof CSSFontFaceRule);
  const held = await Promise.all(rules.map(holding));
  return held.filter(Boolean).join('\n');
}

async function holding(rule: CSSFontFaceRule): Promise<string> {
  const { style, parentStyleSheet } = rule;
  const source = /url\("?([^")]+)"?\)/.exec(style.getPropertyValue('src'))?.[1];
  const family = style.getPropertyValue('font-family');
  if (!source || /icon/i.test(family)) return '';
  const address = new URL(source, parentStyleSheet?.href ?? document.baseURI);
  const bytes = new Uint8Array(await (await fetch(address)).arrayBuffer());
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  const weight = style.getPropertyValue('font-weight') || 'normal';
  return `@font-face{font-family:${family};font-weight:${weight};src:url(data:font/woff2;base64,${btoa(text)}) format("woff2")}`;
}
