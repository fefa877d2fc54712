const KEY = 'yellow-ladle-person';

/** Who is at this screen: the initials that go with every reading, signing and recording. */
class CurrentUser {
  person = $state(localStorage.getItem(KEY) ?? '');

  remember() {
    localStorage.setItem(KEY, this.person.trim());
  }

  /** The initials, or null while nobody has given any. */
  get initials(): string | null {
    return this.person.trim() || null;
  }
}

export const currentUser = new CurrentUser();
