// The faces in which a worker writes numbers on axes; a worker has none of the page's own.
import numbersFace from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url';
import symbolsFace from 'katex/dist/fonts/KaTeX_Main-Regular.woff2?url';

/** The family list for canvases: π and the like come from the formulas' face. */
export const canvasFamilies = 'ParvixNumbers, ParvixSymbols, sans-serif';

/** Loads the faces into the worker; one that cannot be loaded leaves the next in the list. */
export async function loadFonts() {
  const faces = [
    new FontFace('ParvixNumbers', `url(${numbersFace})`),
    new FontFace('ParvixSymbols', `url(${symbolsFace})`),
  ];
  const set = (self as unknown as { fonts: FontFaceSet }).fonts;
  await Promise.allSettled(
    faces.map(async (face) => {
      set.add(face);
      await face.load();
    }),
  );
}
