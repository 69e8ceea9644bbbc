/** The end of something that is done step by step. */
export function drained<T>(steps: Generator<void, T>): T {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

/** What `make` makes of each item, a step for each. */
export function* eachInTurn<Item, Made>(items: readonly Item[], make: (item: Item) => Made): Generator<void, Made[]> {
  const made: Made[] = [];
  for (const item of items) {
    made.push(make(item));
    yield;
  }
  return made;
}
