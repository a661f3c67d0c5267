// A form closes itself when what it asked for is done; another that was opened meanwhile stays.
import { useBench } from '../bench/store';

export function useClosing() {
  const bench = useBench();
  const own = bench.editing;
  return () => {
    if (bench.editing === own) bench.editing = '';
  };
}
