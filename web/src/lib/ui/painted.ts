/**
 * Calls back when the browser has painted what stands there now. What is not looked for first is drawn after it, so that
 * what is comes sooner.
 *
 * @returns gives it up
 */
export function whenPainted(run: () => void): () => void {
  // the first frame is the one that paints it
  let frame = requestAnimationFrame(() => {
    frame = requestAnimationFrame(run);
  });
  return () => cancelAnimationFrame(frame);
}
