// LaTeX to HTML with KaTeX, remembered: a dial that goes back and forth shows the same formulas again.
import katex from 'katex';

const known = new Map<string, string>();
const most = 3000;

/** Typesets; spoken adds MathML for those who listen, which costs as much again. */
export function typeset(latex: string, spoken = true): string {
  const key = spoken ? latex : `\0${latex}`;
  let html = known.get(key);
  if (html === undefined) {
    html = katex.renderToString(latex, {
      output: spoken ? 'htmlAndMathml' : 'html',
      throwOnError: false,
      strict: false,
      trust: ({ command }) => command === '\\htmlClass',
    });
    if (known.size >= most) known.clear();
    known.set(key, html);
  }
  return html;
}
