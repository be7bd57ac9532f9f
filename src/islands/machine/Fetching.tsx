/** The rest of a machine is on its way, or was not to be had. */
export function Fetching({ failed }: { failed: boolean }) {
  return failed ? (
    <p role="alert" className="m-0 p-6">
      The rest could not be fetched. Reload the page where there is signal.
    </p>
  ) : (
    <p className="m-0 p-6 text-second">Fetching the rest …</p>
  )
}
