import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { EditorView } from '@codemirror/view';
import { tags } from '@lezer/highlight';

const highlight = HighlightStyle.define([
  { tag: tags.comment, color: 'var(--moss-ink)' },
  { tag: [tags.keyword, tags.modifier, tags.operatorKeyword], color: 'var(--indigo-ink)' },
  { tag: [tags.typeName, tags.standard(tags.typeName)], color: 'var(--indigo-ink)' },
  { tag: [tags.number, tags.bool, tags.null], color: 'var(--amber-ink)' },
  { tag: [tags.string, tags.special(tags.string)], color: 'var(--supply)' },
  { tag: [tags.processingInstruction, tags.meta], color: 'var(--soft)' },
  { tag: tags.definition(tags.function(tags.variableName)), fontWeight: '600' },
]);

const theme = EditorView.theme({
  '&': { height: '100%', backgroundColor: 'var(--raised)', color: 'var(--ink)' },
  '&.cm-focused': { outline: '2px solid var(--indigo)', outlineOffset: '-2px' },
  '.cm-scroller': { fontFamily: 'var(--mono)', fontSize: 'var(--type-small)', lineHeight: '1.45' },
  '.cm-gutters': {
    backgroundColor: 'var(--paper)',
    color: 'var(--soft)',
    borderRight: '1px solid var(--rule)',
  },
  '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'transparent' },
  '&.cm-focused .cm-activeLineGutter': { color: 'var(--ink)' },
  '.cm-marked': { backgroundColor: 'var(--indigo-wash)' },
  '.cm-cursor': { borderLeftColor: 'var(--ink)' },
  '&.cm-focused > .cm-scroller > .cm-selectionLayer .cm-selectionBackground, .cm-selectionBackground':
    { backgroundColor: 'var(--indigo-wash)' },
  '.cm-changedLine': { backgroundColor: 'var(--moss-wash) !important' },
  '.cm-changedText': { background: 'none', textDecoration: 'underline var(--moss-ink)' },
  '.cm-deletedChunk': { backgroundColor: 'var(--lantern-wash)', paddingLeft: '6px' },
  '.cm-deletedChunk .cm-deletedText': { background: 'none' },
  '.cm-collapsedLines': {
    background: 'var(--paper)',
    color: 'var(--soft)',
    fontFamily: 'var(--text)',
  },
});

/** How programs look, by day and by night: in the colours of the page. */
export const codeColours = [theme, syntaxHighlighting(highlight)];
