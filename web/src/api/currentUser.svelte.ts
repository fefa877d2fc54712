import { api } from './client';

const KEY = 'yellow-ladle-person';

/** Who is at this screen: the initials that go with every reading, signing and recording. */
class CurrentUser {
  person = $state(localStorage.getItem(KEY) ?? '');
  /** Whether the sheet that asks who is here is open. */
  asking = $state(false);

  /** Takes somebody's initials for what is written from now on; empty where nobody says. */
  become(initials: string) {
    this.person = initials.trim();
    localStorage.setItem(KEY, this.person);
    this.asking = false;
  }

  /** The initials, or null while nobody has given any. */
  get initials(): string | null {
    return this.person.trim() || null;
  }
}

export const currentUser = new CurrentUser();

// Whoever is at this screen goes with everything that it asks for.
api.use({
  onRequest({ request }) {
    request.headers.set('X-Person', encodeURIComponent(currentUser.initials ?? ''));
    return request;
  }
});
