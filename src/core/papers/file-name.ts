/**
 * A name as a file may be called everywhere: letters and digits of ASCII, joined by dashes.
 *
 * @example fileName('Café Thistle & Rye') // 'cafe-thistle-rye'
 */
export const fileName = (name: string): string =>
  name
    .normalize('NFKD')
    .replaceAll(/\p{Mark}/gu, '')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '') || 'unnamed'
