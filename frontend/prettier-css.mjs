// Styles keep the layout their author gave them: a rule a line reads best beside the markup it belongs to.
const verbatim = {
  parse: (text) => ({ type: 'verbatim', text: text.trim(), start: 0, end: text.length }),
  astFormat: 'verbatim',
  locStart: (node) => node.start,
  locEnd: (node) => node.end,
}
export const parsers = { css: verbatim }
export const printers = { verbatim: { print: (path) => path.node.text } }
