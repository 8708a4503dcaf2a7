/** What was found out for a value that is asked for again and again: kept until there are too many, then all forgotten. */
export function remembered<K, V extends NonNullable<unknown>>(most: number, find: (key: K) => V): (key: K) => V {
  const known = new Map<K, V>();
  return (key) => {
    let value = known.get(key);
    if (value === undefined) {
      if (known.size >= most) known.clear();
      known.set(key, (value = find(key)));
    }
    return value;
  };
}

/** What was found out about an object: kept as long as the object is. */
export function foundOnce<K extends object, V extends NonNullable<unknown>>(find: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, V>();
  return (key) => {
    let value = known.get(key);
    if (value === undefined) known.set(key, (value = find(key)));
    return value;
  };
}
