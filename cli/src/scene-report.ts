import type { Design, Scene } from '@yurei/core/design';
import { writeRehearsalCsv } from '@yurei/core/exchange';
import { formatQuantity } from '@yurei/core/quantity';
import { rehearse, tellTrouble } from '@yurei/core/rehearsal';
import { actedTable, seconds } from './acted-table.js';
import type { Report } from './report.js';
import { table } from './table.js';

/** A scene played in time as far as asked: what acted when, and how hard parts were pressed; verdicts are `rehearse`'s. */
export function sceneReport(
  design: Design,
  scene: Scene,
  { until, from }: { until: number; from?: 'rest' | 'dead' },
): Report {
  const starts = from === undefined ? scene.starts : from === 'dead' ? 'power-on' : 'settled';
  const happenings = scene.happenings.filter((h) => h.start <= until);
  const played: Scene = { ...scene, starts, duration: until, happenings };
  const run = rehearse(design, played, undefined, 'time');
  const pressed = run.stresses.map((s) => [
    s.part,
    s.label,
    `${formatQuantity(s.value, s.unit)} of ${formatQuantity(s.limit, s.unit)}`,
    `${(100 * s.share).toFixed(0)} %`,
    `at ${seconds(s.at)}`,
  ]);
  const text = [
    `${seconds(run.halted?.t ?? until)} of “${scene.name}” in time, its program deciding`,
    ...actedTable(run.acting),
    ...(pressed.length > 0 ? ['\nHardest moments against a rating', table(pressed)] : []),
    ...run.troubles.map((trouble) => tellTrouble(design, trouble)),
    ...(run.halted ? [`\nEnded early at ${seconds(run.halted.t)}: ${run.halted.because}`] : []),
  ].join('\n');
  const { logic: _logic, verdicts: _verdicts, spurious: _spurious, ...json } = run;
  const failed = run.halted !== undefined || run.troubles.length > 0;
  return { text, json, exitCode: failed ? 1 : 0, csv: writeRehearsalCsv(run) };
}
