/** What is said where a page needs the network, and where to go instead. */
export function NotHere({ isKnown, isPacked }: { isKnown: boolean; isPacked: boolean }) {
  return (
    <section className="m-4 max-w-[620px] border border-hair bg-enamel p-4 lg:m-6" aria-labelledby="not-here">
      <h1 id="not-here" className="m-0 text-[22px] font-[640]">
        {isPacked ? 'This needs the network' : 'Nothing is on this device yet'}
      </h1>
      <p className="my-2">
        {!isPacked
          ? 'Open Even Shot once where there is network and sign in: your day, its places and their machines are packed then, and open without network from there on.'
          : isKnown
            ? 'It has not been packed on this device. Your day, its places and their machines are; so is what was opened here lately.'
            : 'This page is drawn by the server alone. What you do at a machine is not: your day, machines, entries and runs open without network.'}
      </p>
      <div className="flex flex-wrap gap-2">
        {isPacked && (
          <a className="act inline-flex min-h-[48px] items-center" href="/round/day">
            My day
          </a>
        )}
        <button type="button" className="plain min-h-[48px]" onClick={() => location.reload()}>
          Try again
        </button>
      </div>
    </section>
  )
}
