const KEY = 'yellow-ladle-ground';

/** The ground of the screen: day, or the dark night pass. Kept on this machine. */
class Ground {
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

export const ground = new Ground();
