/** The size belongs to a breaker's name, unless the name says it already. */
export function withAmps(name: string, { amps }: { readonly amps: number }): string {
  const size = `${amps} A`;
  return name.includes(size) ? name : `${name} ${size}`;
}
