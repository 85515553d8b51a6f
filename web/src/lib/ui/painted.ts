/**
 * Calls back when the browser has painted what stands there now. What is not looked for first is done after it, so that what is
 * comes sooner.
 *
 * @returns gives it up
 */
export function whenPainted(run: () => void): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  // a frame is painted after its callbacks, and before what is begun in them
  const frame = requestAnimationFrame(() => {
    timer = setTimeout(run);
  });
  return () => {
    cancelAnimationFrame(frame);
    clearTimeout(timer);
  };
}
