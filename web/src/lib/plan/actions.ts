/** Something that can be done with the rows of the list, by a key or from the bar. */
export interface Action {
  key: string;
  name: string;
  run: () => void;
}
