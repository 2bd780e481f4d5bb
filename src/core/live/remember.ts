/**
 * Objects of the state are never changed in place. What is made from them is made once and stays the same object, however
 * many readers ask: a class of 200 hears of one event 200 times.
 */
export function remember<From extends object, Made>(make: (from: From) => Made): (from: From) => Made {
  const made = new WeakMap<From, { value: Made }>()
  return from => {
    let known = made.get(from)
    if (!known) {
      known = { value: make(from) }
      made.set(from, known)
    }
    return known.value
  }
}

/** The same for what is made from two. */
export function rememberBoth<One extends object, Other extends object, Made>(
  make: (one: One, other: Other) => Made,
): (one: One, other: Other) => Made {
  const of = remember((one: One) => remember((other: Other) => make(one, other)))
  return (one, other) => of(one)(other)
}
