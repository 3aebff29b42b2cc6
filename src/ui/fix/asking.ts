/**
 * What is asked of a worker that answers in pieces, and which of its answers are shown.
 *
 * A question has a name of its own: the same name again means that only the clock went on. Then what is under way
 * is finished first, and what is shown stays whole and in its order until the new answer is whole too, so that
 * nothing moves away under a finger. Another name is asked at once and shown as it comes.
 */
export class Asking<Question> {
  private key = 0;
  private going: string | null = null;
  private whole: string | null = null;
  private next: Question | null = null;

  /** What is to be sent now, with its key; null where it waits for what is under way. */
  ask(name: string, question: Question): { readonly key: number; readonly question: Question } | null {
    if (this.going === name) {
      this.next = question;
      return null;
    }
    this.going = name;
    this.next = null;
    return { key: ++this.key, question };
  }

  /** An answer came: whether it is shown, and what is to be sent after it. */
  hear(key: number, whole: boolean) {
    if (key !== this.key || this.going === null) return { show: false, send: null };
    const show = whole || this.whole !== this.going;
    if (!whole) return { show, send: null };
    this.whole = this.going;
    this.going = null;
    const question = this.next;
    return { show, send: question && this.ask(this.whole, question) };
  }

  /** Nothing is asked any more, or who answered is gone: what comes late is not shown. */
  stop(): void {
    this.going = null;
    this.whole = null;
    this.next = null;
  }
}
