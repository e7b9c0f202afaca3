/**
 * The value that would stand at index `n` if the first `count` values were sorted
 * (Hoare's selection). Rearranges them in place and takes no memory.
 */
export function select(values: Float64Array, count: number, n: number): number {
  let low = 0;
  let high = count - 1;
  while (low < high) {
    const pivot = values[(low + high) >> 1]!;
    let i = low;
    let j = high;
    while (i <= j) {
      while (values[i]! < pivot) i++;
      while (values[j]! > pivot) j--;
      if (i > j) break;
      const swapped = values[i]!;
      values[i++] = values[j]!;
      values[j--] = swapped;
    }
    if (n <= j) high = j;
    else if (n >= i) low = i;
    else break;
  }
  return values[n]!;
}

/** Median of the first `count` values (at least one), rearranging them. */
export function median(values: Float64Array, count: number): number {
  const middle = count >> 1;
  const upper = select(values, count, middle);
  if (count % 2 === 1) return upper;
  let lower = Number.NEGATIVE_INFINITY;
  for (let i = 0; i < middle; i++) lower = Math.max(lower, values[i]!);
  return (lower + upper) / 2;
}
