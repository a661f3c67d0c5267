// Runs a task again and again while calls come, one at a time: calls that come meanwhile make one more round.
export function follower(task: () => Promise<void>): () => Promise<void> {
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
      } while (again);
    } finally {
      busy = false;
    }
  };
}
