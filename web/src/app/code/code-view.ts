import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  input,
  output,
} from '@angular/core';
import { defaultKeymap } from '@codemirror/commands';
import { cpp } from '@codemirror/lang-cpp';
import { python } from '@codemirror/lang-python';
import { unifiedMergeView } from '@codemirror/merge';
import { EditorState, StateEffect, StateField, type Extension } from '@codemirror/state';
import {
  Decoration,
  EditorView,
  highlightActiveLineGutter,
  keymap,
  lineNumbers,
  type DecorationSet,
} from '@codemirror/view';
import { codeColours } from './code-colours';

/** Lines of a program, from the first to the last, counted from 1. */
export interface Lines {
  from: number;
  to: number;
}

const mark = StateEffect.define<Lines | undefined>();
const markedLine = Decoration.line({ class: 'cm-marked' });

/** The lines that are marked. */
const marked = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update(value, { effects, state }) {
    for (const told of effects)
      if (told.is(mark))
        return Decoration.set(linesOf(state, told.value).map((at) => markedLine.range(at)));
    return value;
  },
  provide: (field) => EditorView.decorations.from(field),
});

function linesOf({ doc }: EditorState, lines: Lines | undefined): number[] {
  if (!lines) return [];
  const last = Math.min(lines.to, doc.lines);
  return Array.from(
    { length: Math.max(0, last - lines.from + 1) },
    (_, i) => doc.line(lines.from + i).from,
  );
}

/** A program that is read, not written: with the lines of one section marked, or beside how it was before. */
@Component({
  selector: 'yu-code-view',
  template: '',
  styles: ':host { display: block; height: 100%; min-height: 0; overflow: hidden; }',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CodeView {
  readonly text = input.required<string>();
  readonly language = input.required<'cpp' | 'python'>();
  /** How it was before; what is other now is shown. */
  readonly before = input<string>();
  /** The lines that are marked, and scrolled to. */
  readonly lines = input<Lines>();
  /** The line that is read now. */
  readonly at = output<number>();

  private readonly view = new EditorView({
    parent: inject<ElementRef<HTMLElement>>(ElementRef).nativeElement,
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.view.destroy());
    effect(() => {
      const { scrollTop } = this.view.scrollDOM;
      this.view.setState(this.stateOf(this.text(), this.language(), this.before()));
      this.view.scrollDOM.scrollTop = scrollTop;
    });
    effect(() => {
      this.text();
      const lines = this.lines();
      const effects: StateEffect<unknown>[] = [mark.of(lines)];
      if (lines && this.before() === undefined)
        effects.push(
          EditorView.scrollIntoView(this.view.state.doc.line(lines.from).from, {
            y: 'start',
            yMargin: 8,
          }),
        );
      this.view.dispatch({ effects });
    });
  }

  private stateOf(text: string, language: 'cpp' | 'python', before?: string): EditorState {
    const merge: Extension[] =
      before === undefined
        ? []
        : [
            unifiedMergeView({
              original: before,
              mergeControls: false,
              collapseUnchanged: { margin: 3, minSize: 8 },
            }),
          ];
    return EditorState.create({
      doc: text,
      extensions: [
        lineNumbers(),
        highlightActiveLineGutter(),
        keymap.of(defaultKeymap),
        language === 'cpp' ? cpp() : python(),
        EditorState.readOnly.of(true),
        EditorView.contentAttributes.of({
          ...{ 'aria-label': 'The program', 'aria-readonly': 'true' },
          // By keys it is reached, and scrolled.
          tabindex: '0',
        }),
        EditorView.updateListener.of(({ selectionSet, state }) => {
          if (selectionSet) this.at.emit(state.doc.lineAt(state.selection.main.head).number);
        }),
        marked,
        codeColours,
        ...merge,
      ],
    });
  }
}
