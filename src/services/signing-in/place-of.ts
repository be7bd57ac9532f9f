/** Where somebody is, as far as it tells people apart: of IPv6 the network, which one person has whole. */
export function placeOf(address: string): string {
  if (!address.includes(':') || address.includes('.')) return address
  const [before = '', after] = address.toLowerCase().split('::')
  const groups = (text: string | undefined) => (text ? text.split(':') : [])
  const [head, tail] = [groups(before), groups(after)]
  // Two colons stand for as many groups of nought as are missing of eight.
  const all = [...head, ...Array<string>(Math.max(0, 8 - head.length - tail.length)).fill('0'), ...tail]
  return all.slice(0, 4).join(':')
}
