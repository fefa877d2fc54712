/** What was just done, for the status line and for screen readers. */
class Announcements {
  text = $state('');
  #timer: ReturnType<typeof setTimeout> | undefined;

  say(text: string) {
    this.text = text;
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => (this.text = ''), 8000);
  }
}

export const announcements = new Announcements();
