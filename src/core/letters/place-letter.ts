/**
 * What a letter with papers of a place says, where nobody wrote anything else.
 *
 * @example placeLetter({ site: 'Kettle Lane', firm: 'Quillgate' }).subject // 'Papers, Kettle Lane'
 */
export const placeLetter = ({ site, firm }: { site: string; firm: string }): { subject: string; words: string } => ({
  subject: `Papers, ${site}`.slice(0, 150),
  words: `Good day,\n\nhere are the papers you asked for, of ${site}.\n\n${firm}`,
})
