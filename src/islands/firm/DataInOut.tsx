import { useCallback, useEffect, useState } from 'react'
import { FileInput } from '../../ui/FileInput.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { TitleBlock } from '../../ui/TitleBlock.tsx'
import { island } from '../island.tsx'
import { send } from '../keep.ts'
import { RecordChoice } from '../records/RecordChoice.tsx'
import { FailedWork } from './FailedWork.tsx'
import { LedgerCheck } from './LedgerCheck.tsx'
import { UnsentFileSheet } from './UnsentFileSheet.tsx'

interface Props {
  firm: string
  isOwner: boolean
}

const everything = '/api/export/everything.zip'

/** What comes in and what goes out: everything a firm has is its own. */
function DataInOut({ firm, isOwner }: Props) {
  const [open, setOpen] = useState(false)
  const [reads, setReads] = useState(false)
  const [wrong, setWrong] = useState('')
  const takeOut = useCallback(async (url: string) => {
    const { fetchAsMyself } = await import('../again.tsx')
    setWrong(await fetchAsMyself(url))
  }, [])
  useEffect(() => {
    // Sent back here by the file's own address: something is asked first.
    if (!isOwner || location.hash !== '#everything') return
    history.replaceState(null, '', location.pathname)
    void takeOut(everything)
  }, [isOwner, takeOut])
  return (
    <div className="flex flex-1 flex-col">
      <TitleBlock name="Data in and out" under={firm} facts={[]} />
      <div className="grid flex-1 gap-x-10 bg-enamel px-4 py-3 lg:grid-cols-2 lg:px-6">
        <section>
          <h2 className="head m-0 pb-1">In</h2>
          <Way
            href="/import/machines"
            name="Machines and where they stand"
            about="from a spreadsheet, with a preview of every row; customers and sites are made with them"
          />
          <Way
            href="/import/customers"
            name="Customers"
            about="names and how to reach them; who is there gets what was missing"
          />
          <Way href="/import/work" name="Past work" about="an old service record: parts, tasks, counts" />
          <Way href="/import/readings" name="Readings" about="counters from a spreadsheet" />
          <Way
            href="/imports"
            name="Lists brought in"
            about="how far each is, what it made, and taking it back as one"
          />
          <button
            type="button"
            className="flex min-h-[56px] w-full flex-col justify-center border-t border-hair py-1 text-left hover:bg-copper-tint"
            onClick={() => setOpen(true)}
          >
            <b className="font-semibold text-copper">A machine's passport</b>
            <span className="text-[14px] text-second">one machine with its history, from another firm</span>
          </button>
          <button
            type="button"
            className="flex min-h-[56px] w-full flex-col justify-center border-t border-hair py-1 text-left hover:bg-copper-tint"
            onClick={() => setReads(true)}
          >
            <b className="font-semibold text-copper">What a device could not send</b>
            <span className="text-[14px] text-second">a file written on the page of what waits there</span>
          </button>
          <p className="mt-3 mb-0 text-[14px] text-second">
            A whole firm's data is read back into an empty place: start one, and choose the file there.
          </p>
        </section>
        <section className="max-lg:pt-6">
          <h2 className="head m-0 pb-1">Out</h2>
          {isOwner ? (
            <>
              <Way
                href={everything}
                name="Everything"
                about="records, ledger, log and photos as one zip, as described in the project's docs; your password is asked for"
                onFetch={(url) => void takeOut(url)}
              />
              <Way
                href="/api/export/firm.json"
                name="Everything but the photos"
                about="as one JSON file"
                onFetch={(url) => void takeOut(url)}
              />
            </>
          ) : (
            <p className="m-0 border-t border-hair py-2 text-[14px] text-second">
              Everything at once is for the owner to take out.
            </p>
          )}
          {wrong && (
            <p role="alert" className="m-0 font-semibold text-seal-ink">
              {wrong}
            </p>
          )}
          <Way
            href="/api/export/ledger.csv"
            name="The ledger"
            about="every entry as a CSV, in words and in full"
            download
          />
          <Way href="/api/export/due.csv?days=92" name="What is due" about="within a quarter, as a CSV" download />
          <Way href="/api/export/due.csv" name="What is due at any time" about="as a CSV" download />
          <p className="mt-3 mb-0 text-[14px] text-second">
            One machine's passport is taken out on its own page. Cells that a spreadsheet would run as a formula are
            made plain text.
          </p>
          <LedgerCheck />
          {isOwner && <FailedWork />}
        </section>
      </div>
      {open && <PassportSheet onClose={() => setOpen(false)} />}
      {reads && <UnsentFileSheet onClose={() => setReads(false)} />}
    </div>
  )
}

const Way = ({
  href,
  name,
  about,
  download = false,
  onFetch,
}: {
  href: string
  name: string
  about: string
  download?: boolean
  /** Fetches it in its own way: something is asked first. */
  onFetch?: (url: string) => void
}) => (
  <a
    href={href}
    {...(download && { download: '' })}
    {...(onFetch && {
      onClick: (event) => {
        event.preventDefault()
        onFetch(href)
      },
    })}
    className="flex min-h-[56px] flex-col justify-center border-t border-hair py-1 hover:bg-copper-tint"
  >
    <b className="font-semibold text-copper">{name}</b>
    <span className="text-[14px] text-second">{about}</span>
  </a>
)

interface Told {
  machine: { name: string; maker: string; model: string; serial: string }
  firm: string
  entries: unknown[]
}

/** The zip as it is: the server takes it apart. */
async function sendZip(
  zip: File,
  siteId: string,
): Promise<{ ok: true; machineId: string } | { ok: false; issues: { path: string; message: string }[] }> {
  try {
    const answer = await fetch(`/api/import/passport.zip?siteId=${siteId}`, { method: 'POST', body: zip })
    const body = await answer.json()
    return answer.ok ? { ok: true, ...body } : { ok: false, issues: body.issues }
  } catch {
    return { ok: false, issues: [{ path: '', message: 'No connection: try again.' }] }
  }
}

/** Takes a machine on with the history another firm tells: what it is, where it stands from now on. */
function PassportSheet({ onClose }: { onClose: () => void }) {
  const [passport, setPassport] = useState<Told | null>(null)
  const [zip, setZip] = useState<File | null>(null)
  const [siteId, setSiteId] = useState('')
  const [wrong, setWrong] = useState('')
  const [busy, setBusy] = useState(false)
  const choose = async (file: File | undefined) => {
    if (!file) return
    setWrong('')
    setZip(null)
    setPassport(null)
    if (/\.zip$/i.test(file.name)) return setZip(file)
    try {
      const read = JSON.parse(await file.text())
      if (read?.format !== 'evenshot-machine') throw new Error('other')
      setPassport(read)
    } catch {
      setWrong(`${file.name} is no machine's passport.`)
    }
  }
  const take = async () => {
    setBusy(true)
    const told = zip
      ? await sendZip(zip, siteId)
      : await send<{ machineId: string }>('POST', '/api/import/passport', { siteId, passport })
    setBusy(false)
    if (told.ok) location.assign(`/machines/${told.machineId}?lens=ledger`)
    else setWrong(told.issues.map(({ path, message }) => `${path} ${message}`).join('; '))
  }
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title="A machine's passport"
      about="Its entries keep their days and say whom they come from. Nothing of another firm's places comes with it."
    >
      <label className="plain inline-flex cursor-pointer items-center has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-copper">
        Choose the file
        <FileInput
          accept="application/zip,.zip,application/json,.json"
          className="sr-only"
          onChosen={(file) => void choose(file)}
        />
      </label>
      {(passport || zip) && (
        <>
          <p className="mt-3 mb-2">
            {passport ? (
              <>
                <b>{passport.machine.name}</b>, {passport.machine.maker} {passport.machine.model}{' '}
                <span className="mono text-[13px]">{passport.machine.serial}</span>: {passport.entries.length} entries,
                told by {passport.firm}. Photos come with the zip alone.
              </>
            ) : (
              <b>{zip!.name}</b>
            )}
          </p>
          <RecordChoice kind="site" label="Where it stands from now on" chosen={siteId} onChoose={setSiteId} />
          <button type="button" className="act" disabled={!siteId || busy} onClick={take}>
            {busy ? 'Taking it on …' : 'Take it on'}
          </button>
        </>
      )}
      {wrong && (
        <p role="alert" className="mt-3 mb-0 font-semibold text-seal-ink">
          {wrong}
        </p>
      )}
    </Sheet>
  )
}

export const DataInOutIsland = island(DataInOut)
