import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { readFileSync } from 'node:fs';
import { ShelfInMemory } from '../../testing/shelf-in-memory';
import { show, slipwayBeam, type Screen } from '../../testing/workbench-bed';
import { Api, ApiError } from '../data/api';
import { keepDraft, findDraft } from '../data/drafts';
import { Shelf } from './shelf';

const demoText = readFileSync('demo/slipway-beam.yurei.json', 'utf8');
const unreachable = new ApiError(0, 'The server cannot be reached', 'Start it again', [], []);
let server: ShelfInMemory;

async function open(...designs: ReturnType<typeof slipwayBeam>[]): Promise<Screen<Shelf>> {
  server = new ShelfInMemory(...designs);
  TestBed.configureTestingModule({
    providers: [provideRouter([]), { provide: Api, useValue: server }],
  });
  return show(Shelf);
}

/** Chooses a file in the hidden field behind "Import files…". */
async function choose(shelf: Screen<Shelf>, text: string, size = text.length): Promise<void> {
  const file = { name: 'file.json', size, text: async () => text };
  const input = shelf.find<HTMLInputElement>('input[type=file]');
  Object.defineProperty(input, 'files', { value: [file], configurable: true });
  Object.defineProperty(input, 'value', { value: '', writable: true, configurable: true });
  input.dispatchEvent(new Event('change'));
  await shelf.settle();
}
const cards = (shelf: Screen<Shelf>) => shelf.all('.designs li:not(.empty)');

it('shows designs with their purpose and size, each leading to its bench', async () => {
  const shelf = await open(slipwayBeam());
  expect(shelf.text('.designs li')).toMatch(/Slipway beam .* 10 parts · 2 scenes ·/);
  expect(shelf.find('.designs a').getAttribute('href')).toBe('/design/d1');
});

it('shows the way when it is empty', async () => {
  const shelf = await open();
  expect(shelf.text('.empty')).toMatch(/Start a new design, or import/);
});

it('says so when the server is away, and shows the shelf once it is back', async () => {
  server = new ShelfInMemory(slipwayBeam());
  server.failure = unreachable;
  TestBed.configureTestingModule({
    providers: [provideRouter([]), { provide: Api, useValue: server }],
  });
  const shelf = await show(Shelf);
  expect(shelf.text('[role=alert]')).toMatch(/cannot be reached Start it again/);
  server.failure = undefined;
  await shelf.press('Try again');
  expect(cards(shelf)).toHaveLength(1);
  expect(shelf.all('[role=alert]')).toHaveLength(0);
});

it('makes a new design and goes there', async () => {
  const shelf = await open();
  const went = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
  await shelf.press('New design');
  expect(went).toHaveBeenCalledWith(['/design', 'd1']);
  expect(server.stored.get('d1')?.design.parts).toEqual([]);
});

it('imports a file', async () => {
  const shelf = await open();
  await choose(shelf, demoText);
  expect(cards(shelf)).toHaveLength(1);
});

it.each([
  ['not JSON', 'hello', /not.*JSON/i],
  ['a wire that leads nowhere', demoText.replace('"from": "B1.e"', '"from": "B7.e"'), /B7/],
  ['a newer version', demoText.replace(/"version": \d+/, '"version": 99'), /newer|version/],
])('refuses %s with place and cure, and changes nothing', async (_, text, reason) => {
  const shelf = await open(slipwayBeam());
  await choose(shelf, text);
  expect(shelf.text('.refused')).toMatch(reason);
  expect(cards(shelf)).toHaveLength(1);
  await shelf.press('Close');
  expect(shelf.all('.refused')).toHaveLength(0);
});

it('refuses a file that is too large without reading it', async () => {
  const shelf = await open();
  await choose(shelf, demoText, 50e6);
  expect(shelf.text('.refused')).toMatch(/file\.json has 50\.0 MB.*Nothing was changed/);
  expect(server.stored.size).toBe(0);
});

it('asks before it takes a doubtful value', async () => {
  const shelf = await open();
  await choose(shelf, demoText.replace('"ohms": 10000', '"ohms": 10000000'));
  expect(shelf.text('.refused')).toMatch(/R1.*10.kΩ/);
  expect(server.stored.size).toBe(0);
  await shelf.press('Import anyway');
  expect(server.stored.get('d1')?.design.parts.find((p) => p.id === 'R1')?.params['ohms']).toBe(
    1e7,
  );
});

it('asks before it removes, and then forgets the draft too', async () => {
  const shelf = await open(slipwayBeam());
  keepDraft('d1', { version: 1, design: slipwayBeam() });
  await shelf.press('Remove');
  await shelf.press('Keep');
  expect(cards(shelf)).toHaveLength(1);
  await shelf.press('Remove');
  await shelf.press('Really remove');
  expect([cards(shelf).length, findDraft('d1')]).toEqual([0, undefined]);
});

it('finds designs by words in their title, purpose or site', async () => {
  const other = { ...slipwayBeam(), title: 'Varnish watch', purpose: 'Notice a flame', site: '' };
  const shelf = await open(slipwayBeam(), other);
  const search = async (text: string) => {
    const field = shelf.find<HTMLInputElement>('[type=search]');
    field.value = text;
    field.dispatchEvent(new Event('input'));
    await shelf.settle();
    return cards(shelf).map((card) => card.querySelector('h2')?.textContent);
  };
  expect(await search('flame VARNISH')).toEqual(['Varnish watch']);
  expect(await search('slipway')).toEqual(['Slipway beam']);
  expect(await search('')).toHaveLength(2);
  expect(await search('zebra')).toEqual([]);
  expect(shelf.text('.empty')).toContain('answers to “zebra”');
  await shelf.press('Show all of it');
  expect(cards(shelf)).toHaveLength(2);
});

it('duplicates a design under a name of its own', async () => {
  const shelf = await open(slipwayBeam());
  await shelf.press('Duplicate');
  expect(cards(shelf)).toHaveLength(2);
  const [first, copy] = [...server.stored.values()].map(({ design }) => design);
  expect(copy.title).toBe('Slipway beam (copy)');
  expect({ ...copy, title: first.title }).toEqual(first);
});

it('takes in files that are dropped, and names those that it cannot', async () => {
  const shelf = await open();
  const drop = async (files: object[]) => {
    const event = Object.assign(new Event('drop', { cancelable: true }), {
      dataTransfer: { files, types: ['Files'] },
    });
    shelf.host.dispatchEvent(event);
    await shelf.settle();
    return event.defaultPrevented;
  };
  const file = (name: string, text: string, size = text.length) => ({
    name,
    size,
    text: async () => text,
  });
  expect(await drop([file('a.json', demoText), file('b.json', demoText)])).toBe(true);
  expect(cards(shelf)).toHaveLength(2);
  await drop([file('bad.json', 'hello'), file('c.json', demoText), file('big.json', '', 50e6)]);
  expect(cards(shelf)).toHaveLength(3);
  expect(shelf.text('.refused')).toMatch(/2 of 3 files were not taken in.*bad\.json.*big\.json/);
  expect(await drop([])).toBe(false);
});

describe('a design that cannot be read', () => {
  const spoil = async (): Promise<Screen<Shelf>> => {
    server = new ShelfInMemory(slipwayBeam());
    server.unreadable.set('d1', 'It is not complete JSON.');
    TestBed.configureTestingModule({
      providers: [provideRouter([]), { provide: Api, useValue: server }],
    });
    return show(Shelf);
  };
  it('is shown as such, with the way to its bytes; it leads nowhere', async () => {
    const shelf = await spoil();
    expect(shelf.text('yu-unreadable')).toMatch(/Cannot be read\. It is not complete JSON/);
    expect(shelf.find('yu-unreadable a').getAttribute('href')).toBe('/api/designs/d1/as-it-is');
    expect(shelf.all('.designs a[href="/design/d1"]')).toHaveLength(0);
  });
  it('goes back to an earlier save', async () => {
    const shelf = await spoil();
    await shelf.press('Earlier saves…');
    expect(shelf.text('yu-unreadable ul')).toMatch(/Save 1/);
    await shelf.press('Go back to it');
    expect(shelf.all('yu-unreadable')).toHaveLength(0);
    expect(server.stored.get('d1')?.version).toBe(2);
  });
});

it('shows the answers that were computed, in words and signs', async () => {
  server = new ShelfInMemory(slipwayBeam());
  server.answers = [
    { id: 'notices', label: 'Notices', state: 'error', value: '0 of 1' },
    { id: 'lasts', label: 'Lasts', state: 'unknown', value: 'not computed yet' },
  ];
  TestBed.configureTestingModule({
    providers: [provideRouter([]), { provide: Api, useValue: server }],
  });
  const shelf = await show(Shelf);
  expect(shelf.text('.answers')).toBe('Notices 0 of 1');
});

describe('the whole shelf', () => {
  const give = async (shelf: Screen<Shelf>, label: string, name: string): Promise<void> => {
    const input = shelf.find<HTMLInputElement>(`input[aria-label="${label}"]`);
    Object.defineProperty(input, 'files', { value: [{ name }], configurable: true });
    Object.defineProperty(input, 'value', { value: '', writable: true, configurable: true });
    input.dispatchEvent(new Event('change'));
    await shelf.settle();
  };
  it('brings an archive in and says what came of it', async () => {
    const shelf = await open();
    await shelf.press('The whole shelf…');
    await give(shelf, 'Archive file', 'all.zip');
    expect(shelf.text('.p-dialog .done')).toBe('2 designs brought in; 1 were there already.');
  });
  it('asks before a backup takes the place of everything, and tells a refusal', async () => {
    const shelf = await open();
    await shelf.press('The whole shelf…');
    await give(shelf, 'Backup file', 'old.sqlite');
    expect(shelf.text('.p-dialog .sure')).toMatch(/old\.sqlite takes the place of everything/);
    expect(server.putBacks).toBe(0);
    server.failure = new ApiError(422, 'The backup cannot be used', 'Take another.', [], []);
    await shelf.press('Put it in place');
    expect(shelf.text('.p-dialog .refused')).toMatch(/cannot be used\. Take another/);
  });
});
