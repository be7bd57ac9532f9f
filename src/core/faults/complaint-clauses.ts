/** A clause that says that something bad is so no more, or that something is well, tells nothing of what is wrong. */
const trouble =
  'drip\\w*|leak\\w*|hiss\\w*|howl\\w*|rattl\\w*|trip\\w*|blink\\w*|smell\\w*|squirt\\w*|spit\\w*|kick\\w*|loud|noisy'
const denied = new RegExp(
  [
    `\\bno longer (?:${trouble})`,
    `\\b(?:does|do|is|are)(?:n't| not) (?:\\w+ ){0,2}(?:${trouble})`,
    `\\b(?:is|are|works?|has|stays?) (?:always |still |quite |all )?(?:fine|ok|okay|good|right|perfect\\w*|strong|hot enough|as it should)\\b`,
  ].join('|'),
  'i',
)

/** What was said, clause by clause, without what is denied or said to be well. */
export function clausesOf(said: string): string[] {
  const clauses = said
    .toLowerCase()
    .replaceAll(/[’`]/g, "'")
    .split(/[.;!?\n,]+|\bbut\b|\band (?=it|the|now|there)/)
    .map((clause) => clause.trim())
    .filter(Boolean)
    // Since when is no complaint of its own.
    .map((clause) =>
      clause
        .replace(/(.{12,}?)\bsince\b.*$/, '$1')
        .replace(/^since (?:the|your|we|our|i) .{6,}?(?=\b(?:it|coffee|the|there|no)\b)/, ''),
    )
  const left = clauses.filter((clause) => !denied.test(clause))
  return left.length > 0 ? left : clauses
}
