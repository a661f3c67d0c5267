// Tables that are pasted or dropped on the bench itself come onto a desk of their own.
import { onBeforeUnmount, onMounted, watch } from 'vue';
import { useBench } from '../bench/store';
import { useDataDesk } from './desk';

export function useArriving() {
  const bench = useBench();
  const desk = useDataDesk();
  const isFree = () => !!bench.document && !bench.presenting && !desk.open;

  function bring(what: string | File) {
    desk.brought = what;
    desk.open = 'new';
  }
  function paste(e: ClipboardEvent) {
    const text = e.clipboardData?.getData('text') ?? '';
    const typing = (e.target as Element).matches?.('input, textarea, select, [contenteditable]');
    if (typing || !isFree() || !/\S\s*\n\s*\S/.test(text)) return;
    e.preventDefault();
    bring(text);
  }
  const over = (e: DragEvent) => isFree() && e.dataTransfer?.types.includes('Files') && e.preventDefault();
  function drop(e: DragEvent) {
    const file = e.dataTransfer?.files[0];
    if (!file || !isFree()) return;
    e.preventDefault();
    bring(file);
  }

  // A demonstration that is left takes its desk along.
  watch(
    () => !!bench.document,
    (isOpen) => {
      if (!isOpen) desk.open = '';
    },
  );
  onMounted(() => {
    window.addEventListener('paste', paste);
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
  });
  onBeforeUnmount(() => {
    window.removeEventListener('paste', paste);
    window.removeEventListener('dragover', over);
    window.removeEventListener('drop', drop);
  });
}
