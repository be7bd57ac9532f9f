import { type ImportWhat, importColumns } from '../../core/files/import-columns.ts'

/** Made-up rows that show how each column can be written. */
const examples: Record<ImportWhat, Record<string, string>[]> = {
  machines: [
    {
      site: 'Weir café',
      customer: 'Brindle & Co',
      contact: 'Ms Pip',
      phone: '0555 0114',
      area: 'Chalkside',
      name: 'Left bar',
      kind: 'two-group',
      groups: '2',
      maker: 'Varnholt',
      model: 'Duo 2',
      serial: 'D2-4411',
      takenOn: '2024-03-01',
      count: '84210',
      readOn: '2026-10-30',
      hardness: '14 °dH',
      softener: 'salt softener',
      remark: 'key with the baker next door',
    },
    {
      site: 'Mill office',
      name: 'Kitchen',
      kind: 'bean to cup',
      maker: 'Ostrel',
      model: 'S4',
      serial: 'S4-7001',
      takenOn: '2025',
      count: '12 400',
    },
    { site: 'Mill office', name: 'Grinder', kind: 'grinder', serial: '?', takenOn: 'unknown' },
  ],
  customers: [
    {
      name: 'Brindle & Co',
      contact: 'Ms Pip',
      phone: '0555 0114',
      email: 'pip@brindle.example',
      note: 'invoices by post',
    },
  ],
  work: [
    {
      serial: 'D2-4411',
      date: '2026-05-04',
      what: 'Group gasket replaced',
      group: '1',
      count: '79.800',
      by: 'Perrin',
      charge: '84.00',
    },
    { site: 'Mill office', name: 'Kitchen', date: '04/2026', what: 'full service' },
  ],
  readings: [{ serial: 'D2-4411', date: '2026-10-30', count: '84210' }],
  analyses: [
    { date: '2026-03-01', total: '14.2', carbonate: '11.8', pH: '7.4', conductivity: '640', chloride: '< 25' },
  ],
}

/** A workbook with our own heads and a few made-up rows, to be filled in. */
export async function saveTemplate(what: ImportWhat): Promise<void> {
  const { utils, write } = await import('@e965/xlsx')
  const columns = importColumns[what]
  const lines = [
    columns.map(({ label }) => label),
    ...examples[what].map((row) => columns.map(({ id }) => row[id] ?? '')),
  ]
  const sheet = utils.aoa_to_sheet(lines)
  sheet['!cols'] = columns.map(({ label }) => ({ wch: Math.max(12, label.length + 2) }))
  const book = utils.book_new(sheet, what)
  const bytes = write(book, { type: 'array', bookType: 'xlsx' }) as ArrayBuffer
  const url = URL.createObjectURL(
    new Blob([bytes], { type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet' }),
  )
  const link = document.createElement('a')
  link.href = url
  link.download = `template-${what}.xlsx`
  link.click()
  URL.revokeObjectURL(url)
}
