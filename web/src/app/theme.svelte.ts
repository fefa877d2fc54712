const KEY = 'yellow-ladle-ground';

/** The colours of the screen: by day, or dark for the pass at night. Kept on this machine. */
class Theme {
  night = $state(localStorage.getItem(KEY) === 'night');

  constructor() {
    this.#show();
  }

  toggle() {
    this.night = !this.night;
    localStorage.setItem(KEY, this.night ? 'night' : 'day');
    this.#show();
  }

  #show() {
    document.documentElement.dataset.ground = this.night ? 'night' : 'day';
  }
}

export const theme = new Theme();
