import type { Design, PinSkill, TerminalRef } from '../design/index.js';
import { drivesOf } from './drives-of.js';

/** What the program needs of a pin by what it does there, and why; nobody has to ask for it. */
export function impliedSkill(
  design: Design,
  pin: TerminalRef,
): { skill: PinSkill; why: string } | undefined {
  const edged = design.channels.find((c) => c.pin === pin && c.edge);
  if (edged)
    return { skill: 'interrupt', why: `Channel ${edged.name} reads at once when it turns` };
  const dimmed = design.outputs.find(
    (o) => o.pin === pin && (o.fade ?? drivesOf(design, o.id).some((d) => d.as === 'level')),
  );
  if (dimmed) return { skill: 'pwm', why: `Output ${dimmed.name} is dimmed` };
  return undefined;
}
