/** A telephone number that a thumb can call. */
export const CallLink = ({ phone }: { phone: string }) => (
  <a className="word inline-flex min-h-[44px] items-center" href={`tel:${phone.replace(/[^\d+#*]/g, '')}`}>
    {phone}
  </a>
)

/** An address to write to. */
export const MailLink = ({ email }: { email: string }) => (
  <a className="word inline-flex min-h-[44px] items-center" href={`mailto:${email}`}>
    {email}
  </a>
)
