interface Called {
  name: string;
  also: readonly string[];
}

const OTHERWISE = 2;

/** How near words are to what a thing is called: 0 its name begins so, 1 holds them, 2 it is also
 * called so; null where it is not. */
function nearness(thing: Called, words: string): number | null {
  const wanted = words.trim().toLowerCase();
  const name = thing.name.toLowerCase();
  if (name.startsWith(wanted)) return 0;
  if (name.includes(wanted)) return 1;
  return thing.also.some((word) => word.toLowerCase().includes(wanted)) ? OTHERWISE : null;
}

/** The flags and diets that are called so, the nearest first; of those only also called so, diets. */
export function calledSo<F extends Called, D extends Called>(
  flags: readonly F[],
  diets: readonly D[],
  words: string
): (F | D)[] {
  const ranked = <T extends Called>(things: readonly T[], isDiet: boolean) =>
    things.flatMap((thing) => {
      const near = nearness(thing, words);
      if (near === null) return [];
      return [{ thing, at: near * 2 + (isDiet === (near === OTHERWISE) ? 0 : 1) }];
    });
  const found: { thing: F | D; at: number }[] = [...ranked(flags, false), ...ranked(diets, true)];
  return found.sort((one, other) => one.at - other.at).map(({ thing }) => thing);
}
