// A text's pieces as they stand in the editor: words as text, the rest as chips that cannot be typed into.
import type { Piece } from '../generated/types';

const titles: Partial<Record<Piece['kind'], string>> = {
  value: 'A live value; click to change it',
  formula: 'A formula; click to change it',
  finding: 'A live finding; click to take it out',
  measure: 'A live measure; click to take it out',
};

function wordsOf(piece: Piece): string {
  if (piece.kind === 'finding') return `${piece.finding} of ${piece.text}`;
  if (piece.kind === 'measure') return 'its measure';
  return piece.kind === 'value' && piece.form !== 'number' ? `${piece.text} = …` : piece.text;
}

export function chipOf(piece: Piece): HTMLElement {
  const chip = document.createElement('span');
  chip.className = 'chip-piece';
  chip.contentEditable = 'false';
  chip.dataset.piece = JSON.stringify(piece);
  chip.textContent = wordsOf(piece);
  chip.title = titles[piece.kind] ?? '';
  return chip;
}

/** Reads the pieces back; neighbouring words become one piece. */
export function piecesOf(page: HTMLElement): Piece[] {
  const pieces: Piece[] = [];
  const words = (text: string) => {
    const last = pieces.at(-1);
    if (last?.kind === 'words') last.text += text;
    else if (text) pieces.push({ kind: 'words', text });
  };
  const read = (node: Node) => {
    if (node instanceof HTMLElement && node.dataset.piece) pieces.push(JSON.parse(node.dataset.piece));
    else if (node.nodeName === 'BR') words('\n');
    else if (node.nodeType === Node.TEXT_NODE) words((node.textContent ?? '').replaceAll('\u00a0', ' '));
    else node.childNodes.forEach(read);
  };
  page.childNodes.forEach(read);
  return pieces;
}
