import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import type { DesignSummary } from '@yurei/core/exchange';
import fc from 'fast-check';
import { NEVER } from 'rxjs';
import { readFileSync } from 'node:fs';
import { ShelfInMemory } from '../../testing/shelf-in-memory';
import { show, slipwayBeam, type Screen } from '../../testing/workbench-bed';
import { Api, ApiError } from '../data/api';
import { Tour } from '../data/tour';
import { keepDraft, findDraft } from '../data/drafts';
import { Answering } from './answer-unopened';
import { BinDialog } from './bin-dialog';
import { Shelf } from './shelf';
import { everything, offeredBy, passes, type ShelfFilter } from './shelf-filter';
import { draw } from './sketch';

const demoText = readFileSync('demo/slipway-beam.yurei.json', 'utf8');
const unreachable = new ApiError(0, 'The server cannot be reached', 'Start it again', [], []);
/** Answers never come. */
const unanswered = { provide: Answering, useValue: { answer: () => NEVER } };
let server: ShelfInMemory;

async function open(...designs: ReturnType<typeof slipwayBeam>[]): Promise<Screen<Shelf>> {
  server = new ShelfInMemory(...designs);
  TestBed.configureTestingModule({
    providers: [provideRouter([]), { provide: Api, useValue: server }, unanswered],
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
    providers: [provideRouter([]), { provide: Api, useValue: server }, unanswered],
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

it('puts what is removed in the bin, from which it is had back at once', async () => {
  const shelf = await open(slipwayBeam());
  keepDraft('d1', { version: 1, design: slipwayBeam() });
  await shelf.press('Remove');
  expect(cards(shelf)).toHaveLength(0);
  expect(shelf.text('.undo')).toContain('Slipway beam is in the bin for 30 days');
  await shelf.press('Undo');
  expect(cards(shelf)).toHaveLength(1);
  expect(shelf.all('.undo')).toHaveLength(0);
  // Work that is not saved yet comes back with it.
  expect(findDraft('d1')).toBeDefined();
});

describe('the bin', () => {
  it('tells what lies in it and gives it back', async () => {
    await open(slipwayBeam());
    server.remove('d1').subscribe();
    const bin = await show(BinDialog, { open: true });
    expect(bin.text('.p-dialog')).toMatch(/30 days.*Slipway beam removed/);
    await bin.press('Put back Slipway beam');
    expect(server.stored.has('d1')).toBe(true);
    expect(bin.text('.p-dialog')).toContain('Nothing is in it');
  });

  it('asks before it removes for good, and then forgets the draft too', async () => {
    await open(slipwayBeam());
    keepDraft('d1', { version: 1, design: slipwayBeam() });
    server.remove('d1').subscribe();
    const bin = await show(BinDialog, { open: true });
    await bin.press('Remove Slipway beam for good');
    expect(bin.text('[role=alertdialog]')).toMatch(
      /“Slipway beam” and every save of it go for good/,
    );
    await bin.press('Cancel');
    expect(server.binned.size).toBe(1);
    await bin.press('Remove Slipway beam for good');
    await bin.click('.p-confirmpopup-accept-button button');
    expect([server.binned.size, findDraft('d1')]).toEqual([0, undefined]);
  });

  it('says why it cannot be looked into', async () => {
    await open();
    server.failure = unreachable;
    const bin = await show(BinDialog, { open: true });
    expect(bin.text('[role=alert]')).toContain('cannot be reached');
  });
});

it('renames a design where it stands', async () => {
  const shelf = await open(slipwayBeam());
  const rename = async (name: string) => {
    await shelf.press('Rename');
    const field = shelf.find<HTMLInputElement>('[aria-label="New name"]');
    field.value = name;
    await shelf.key(field, 'Enter');
  };
  await rename('  ');
  expect(server.stored.get('d1')?.design.title).toBe('Slipway beam');
  await rename('Beam at the ramp');
  expect(server.stored.get('d1')?.design.title).toBe('Beam at the ramp');
  expect(shelf.text('.designs h2')).toBe('Beam at the ramp');
});

describe('own designs and examples', () => {
  const both = async () => {
    localStorage.clear();
    const other = { ...slipwayBeam(), title: 'Own beam' };
    server = new ShelfInMemory(slipwayBeam(), other);
    server.examples.add('d1');
    TestBed.configureTestingModule({
      providers: [provideRouter([]), { provide: Api, useValue: server }, unanswered],
    });
    return show(Shelf);
  };

  it('stand apart, and examples are hidden and brought back', async () => {
    const shelf = await both();
    const lists = () => shelf.all('ul.designs').map((ul) => ul.querySelector('h2')?.textContent);
    expect(lists()).toEqual(['Own beam', 'Slipway beam']);
    await shelf.press('Hide them');
    expect(lists()).toEqual(['Own beam']);
    expect(localStorage.getItem('yurei.examples')).toBe('hidden');
    await shelf.press('Show them');
    expect(lists()).toEqual(['Own beam', 'Slipway beam']);
    expect(shelf.all('yu-first-visit')).toEqual([]);
  });

  it('a first visit says what this is and offers doors, until it is enough', async () => {
    localStorage.clear();
    server = new ShelfInMemory(slipwayBeam());
    server.examples.add('d1');
    TestBed.configureTestingModule({
      providers: [provideRouter([]), { provide: Api, useValue: server }, unanswered],
    });
    const shelf = await show(Shelf);
    const went = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await shelf.press('Look at an example');
    expect(went).toHaveBeenLastCalledWith(['/design', 'd1']);
    // The first example is gone through with a tour.
    expect(TestBed.inject(Tour).stop()).toBe(0);
    await shelf.press('Begin with what must be noticed');
    expect(went).toHaveBeenLastCalledWith(['/design', 'd2']);
    server.remove('d2').subscribe();
    const again = await show(Shelf);
    await again.press('Do not show this again');
    expect(again.host.querySelector('yu-first-visit')).toBeNull();
    const later = await show(Shelf);
    expect(later.host.querySelector('yu-first-visit')).toBeNull();
  });
});

describe('filters', () => {
  const sketch = { parts: [], wires: [] };
  const summary = (about: Partial<DesignSummary>): DesignSummary => ({
    id: 'x',
    title: 'Beam at the slipway',
    purpose: 'Notice boats',
    site: 'North pier',
    parts: 1,
    scenes: 1,
    version: 1,
    savedAt: '',
    openedAt: '',
    example: false,
    makeup: { senses: ['Light'], acts: ['Buzzer'], controller: true, sketch },
    answers: [{ id: 'quiet', label: 'Stays quiet', state: 'caution', value: '1 of 2' }],
    ...about,
  });
  it.each<[string, Partial<ShelfFilter>, Partial<DesignSummary>, boolean]>([
    ['all words, wherever they stand', { words: 'PIER notice' }, {}, true],
    ['a word that is nowhere', { words: 'pier gas' }, {}, false],
    ['what is felt', { senses: 'Light' }, {}, true],
    ['what is not felt', { senses: 'Gas' }, {}, false],
    ['what acts', { acts: 'Buzzer' }, {}, true],
    ['what does not act', { acts: 'Lamp' }, {}, false],
    ['with a controller', { controller: 'with' }, {}, true],
    ['without a controller', { controller: 'without' }, {}, false],
    ['something open', { open: true }, {}, true],
    ['nothing computed yet is not open', { open: true }, { answers: undefined }, false],
    ['made of nothing known', { senses: 'Light' }, { makeup: undefined }, false],
    ['made of nothing known, any', {}, { makeup: undefined }, true],
  ])('%s', (_, filter, about, shown) => {
    expect(passes({ ...everything, ...filter }, summary(about))).toBe(shown);
  });

  it('what can be chosen is what the designs hold, each once', () => {
    const gas = { senses: ['Gas', 'Light'], acts: [], controller: false, sketch };
    expect(offeredBy([summary({}), summary({ makeup: gas }), summary({})])).toEqual({
      senses: ['Gas', 'Light'],
      acts: ['Buzzer'],
    });
  });
});

describe('a sketch', () => {
  it('has a sign for each part but supplies, one for each wire, none upon another, all within', () => {
    const sketches = fc.integer({ min: 1, max: 40 }).chain((n) =>
      fc.record({
        parts: fc.array(fc.record({ stage: fc.nat(5), glyph: fc.constant('M0 0h1') }), {
          minLength: n,
          maxLength: n,
        }),
        wires: fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1)), { maxLength: 60 }),
      }),
    );
    fc.assert(
      fc.property(sketches, (sketch) => {
        const { parts, lines } = draw(sketch);
        expect(parts).toHaveLength(sketch.parts.filter((p) => p.stage < 5).length);
        expect(new Set(parts.map((p) => `${p.x} ${p.y}`)).size).toBe(parts.length);
        for (const { x, y } of parts) {
          expect(Math.abs(x - 150)).toBeLessThanOrEqual(135.001);
          expect(Math.abs(y - 52)).toBeLessThan(52);
        }
        expect(lines.length).toBeLessThanOrEqual(sketch.wires.length);
      }),
    );
  });
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
      providers: [provideRouter([]), { provide: Api, useValue: server }, unanswered],
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
    providers: [provideRouter([]), { provide: Api, useValue: server }, unanswered],
  });
  const shelf = await show(Shelf);
  expect(shelf.text('.answers')).toBe('Notices 0 of 1 Lasts not yet');
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
    expect(shelf.text('[role=alertdialog]')).toMatch(/old\.sqlite takes the place of everything/);
    expect(server.putBacks).toBe(0);
    server.failure = new ApiError(422, 'The backup cannot be used', 'Take another.', [], []);
    await shelf.press('Put it in place');
    expect(shelf.text('.p-dialog .refused')).toMatch(/cannot be used\. Take another/);
  });
});
