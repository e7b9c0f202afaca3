/** A count with its noun. @example counted(1, 'pass', 'passes') // => '1 pass' */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}
