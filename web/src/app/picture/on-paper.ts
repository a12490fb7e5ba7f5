/**
 * While a page is printed a drawing that was fitted to its window is as large as its paper: all of it, whatever part
 * of it is looked at.
 *
 * @returns a function that ends it
 */
export function fitOnPaper(svg: SVGSVGElement, paper: SVGGElement): () => void {
  let before: string | null = null;
  const print = (): void => {
    const { x, y, width, height } = paper.getBBox();
    before = paper.getAttribute('transform');
    paper.removeAttribute('transform');
    svg.setAttribute('viewBox', `${x - 8} ${y - 8} ${width + 16} ${height + 16}`);
  };
  const after = (): void => {
    svg.removeAttribute('viewBox');
    if (before !== null) paper.setAttribute('transform', before);
  };
  window.addEventListener('beforeprint', print);
  window.addEventListener('afterprint', after);
  return () => {
    window.removeEventListener('beforeprint', print);
    window.removeEventListener('afterprint', after);
  };
}
