/** A short name in small letters that nobody has yet. @example slugOf('Head gasket', ['head-gasket']) // 'head-gasket-2' */
export function slugOf(name: string, taken: string[]): string {
  const plain =
    name
      .normalize('NFD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 50) || 'own'
  let id = plain
  for (let n = 2; taken.includes(id); n += 1) id = `${plain}-${n}`
  return id
}
