/**
 * Sends what is to be done once, however often it is asked: the same again after a lost answer goes under the key of the
 * first time, by which the server knows it. Nothing is kept under the key of what was refused, so that it serves again too.
 */
export class Once {
  #said: string | undefined;
  #key = '';

  /** @param what is sent: the same text means the same command, until it was answered */
  async send<T>(what: unknown, send: (header: { 'Idempotency-Key': string }) => Promise<T>): Promise<T> {
    const said = JSON.stringify(what);
    if (said !== this.#said) {
      this.#said = said;
      this.#key = crypto.randomUUID();
    }
    const answer = await send({ 'Idempotency-Key': this.#key });
    // what is asked from here on is another one, alike as it may be
    if (said === this.#said) this.#said = undefined;
    return answer;
  }
}
