const KEY = 'yellow-ladle-ground';
const device = window.matchMedia('(prefers-color-scheme: dark)');

/** The colours of the screen: by day, or dark for the pass at night. */
class Theme {
  /** What somebody chose on this machine; null while it goes by the device. */
  #chosen = $state(localStorage.getItem(KEY));
  #device = $state(device.matches);
  night = $derived(this.#chosen === null ? this.#device : this.#chosen === 'night');

  constructor() {
    device.addEventListener('change', ({ matches }) => {
      this.#device = matches;
      this.#show();
    });
    this.#show();
  }

  toggle() {
    this.#chosen = this.night ? 'day' : 'night';
    localStorage.setItem(KEY, this.#chosen);
    this.#show();
  }

  #show() {
    document.documentElement.dataset.ground = this.night ? 'night' : 'day';
  }
}

export const theme = new Theme();
