/** A telephone number as an address. @example telOf('0555 01-05') // 'tel:05550105' */
export const telOf = (phone: string): string => `tel:${phone.replace(/[^\d+#*]/g, '')}`

/** A telephone number that a thumb can call. */
export const CallLink = ({ phone }: { phone: string }) => (
  <a className="word inline-flex min-h-[44px] items-center" href={telOf(phone)}>
    {phone}
  </a>
)

/** An address to write to. */
export const MailLink = ({ email }: { email: string }) => (
  <a className="word inline-flex min-h-[44px] items-center" href={`mailto:${email}`}>
    {email}
  </a>
)
