// Runs a task again and again while calls come, one at a time and with a rest (in milliseconds) after each: calls that
// come meanwhile make one more round.
export function follower(task: () => Promise<void>, rest = 0): () => Promise<void> {
  let busy = false;
  let again = false;
  return async () => {
    if (busy) {
      again = true;
      return;
    }
    busy = true;
    try {
      do {
        again = false;
        await task();
        if (rest) await new Promise((resolve) => setTimeout(resolve, rest));
      } while (again);
    } finally {
      busy = false;
    }
  };
}
