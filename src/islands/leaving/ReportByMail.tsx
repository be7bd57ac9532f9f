interface Props {
  customer: { id: string; name: string; email?: string | undefined }
  asked: boolean
  onChange: (asked: boolean) => void
}

/** Whether the report goes out by itself: where there is no network, as soon as the closing is sent. */
export function ReportByMail({ customer: { id, name, email }, asked, onChange }: Props) {
  if (!email)
    return (
      <p className="m-0 pb-2 text-[14px] text-second">
        No e-mail of{' '}
        <a className="word" href={`/customers/${id}`}>
          {name}
        </a>{' '}
        is kept: the report is not sent by itself.
      </p>
    )
  return (
    <label className="flex min-h-[44px] items-center gap-3 pb-1 text-[14.5px]">
      <input
        type="checkbox"
        className="h-5 w-5 shrink-0"
        checked={asked}
        onChange={(event) => onChange(event.target.checked)}
      />
      <span className="min-w-0">
        Once it is closed, send the report to{' '}
        <span className="mono block text-[13.5px] [overflow-wrap:anywhere]">{email}</span>
      </span>
    </label>
  )
}
