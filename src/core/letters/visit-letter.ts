/**
 * What a letter with papers of a visit says, where nobody wrote anything else.
 *
 * @param day - of the visit, as the firm's papers read days
 * @example visitLetter({ day: '26 Nov 2026', site: 'Kettle Lane', firm: 'Quillgate' }).subject // 'Our visit of 26 Nov 2026 at Kettle Lane'
 */
export const visitLetter = ({
  day,
  site,
  firm,
}: {
  day: string
  site: string
  firm: string
}): { subject: string; words: string } => ({
  subject: `Our visit of ${day} at ${site}`.slice(0, 150),
  words: `Good day,\n\nhere are the papers of our visit of ${day}.\n\n${firm}`,
})

/** Where papers of a visit go: whom somebody writes to there, or else where their bills go; empty where nobody said. */
export const papersTo = ({
  email,
  billEmail,
}: {
  email?: string | undefined
  billEmail?: string | undefined
}): string => email || billEmail || ''
