/** Says that something kept here could not be gone on with, and why: it is not thrown away. */
export function AsideNote({ what, why }: { what: string; why: string | null }) {
  if (why === null) return null
  return (
    <p role="status" className="m-0 border-b border-hair bg-copper-tint px-4 py-2 text-[14px] lg:px-6">
      {what} was kept on this device and cannot be gone on with: {why}. It is set aside here, not thrown away.
    </p>
  )
}
