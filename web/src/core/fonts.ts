// The faces in which a worker writes; a worker has none of the page's own.
import numbersFace from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url';
import roman from 'katex/dist/fonts/KaTeX_Main-Regular.woff2?url';
import italic from 'katex/dist/fonts/KaTeX_Math-Italic.woff2?url';
import bold from 'katex/dist/fonts/KaTeX_Main-Bold.woff2?url';
import slanted from 'katex/dist/fonts/KaTeX_Main-Italic.woff2?url';
import size1 from 'katex/dist/fonts/KaTeX_Size1-Regular.woff2?url';
import size2 from 'katex/dist/fonts/KaTeX_Size2-Regular.woff2?url';
import size3 from 'katex/dist/fonts/KaTeX_Size3-Regular.woff2?url';
import size4 from 'katex/dist/fonts/KaTeX_Size4-Regular.woff2?url';
import symbols from 'katex/dist/fonts/KaTeX_AMS-Regular.woff2?url';

/** The faces of formulas, in the order of the core's faces (typeset.Face). */
const formulaFaces = [roman, italic, bold, slanted, size1, size2, size3, size4, symbols];

/** The family of a face of formulas. */
export const formulaFamily = (face: number) => `ParvixFormula${face}`;

/** The family list for canvases: π and the like come from the formulas' face. */
export const canvasFamilies = `ParvixNumbers, ${formulaFamily(0)}, sans-serif`;

/** How the faces are told apart where they are not at hand, as export/svg writes them. */
const styleOf = (face: number) =>
  face === 1 || face === 3 ? 'font-style:italic;' : face === 2 ? 'font-weight:bold;' : '';

/** Puts the faces that a picture in SVG names into it, so that it looks the same wherever it is shown. */
export async function withFaces(svg: string): Promise<string> {
  const named = [...new Set([...svg.matchAll(/ParvixFormula(\d)/g)].map(([, face]) => Number(face)))];
  const rules = await Promise.all(
    named.map(async (face) => {
      const data = new Uint8Array(await (await fetch(formulaFaces[face]!)).arrayBuffer());
      const text = btoa(Array.from(data, (byte) => String.fromCharCode(byte)).join(''));
      return `@font-face{font-family:${formulaFamily(face)};${styleOf(face)}src:url(data:font/woff2;base64,${text})}`;
    }),
  );
  return rules.length ? svg.replace(/<svg[^>]*>/, (head) => `${head}<style>${rules.join('')}</style>`) : svg;
}

/** Loads the faces into the worker; one that cannot be loaded leaves the next in the list. */
export async function loadFonts() {
  const faces = [
    new FontFace('ParvixNumbers', `url(${numbersFace})`),
    ...formulaFaces.map((address, face) => new FontFace(formulaFamily(face), `url(${address})`)),
  ];
  const set = (self as unknown as { fonts: FontFaceSet }).fonts;
  await Promise.allSettled(
    faces.map(async (face) => {
      set.add(face);
      await face.load();
    }),
  );
}
