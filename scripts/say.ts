import { kinds } from '../src/core/kinds/index.ts'
import { offeredTo } from '../src/core/procedures/offered.ts'
import { waySaid } from '../src/core/procedures/said.ts'

/*
 * Prints every step of every procedure in every way, as a run says it: `npm run say`. Words after it narrow it down:
 * `npm run say -- descale pk` prints what has both in its id or kind.
 */
const asked = process.argv.slice(2)
const printed = new Set<string>()
for (const kind of kinds)
  for (const behind of ['none', 'exchanger', 'cartridge', 'membrane'])
    for (const { procedure, refused } of offeredTo(kind, behind))
      for (const way of procedure.ways) {
        const names = [kind.id, procedure.id, way.id]
        if (refused || !asked.every((word) => names.some((name) => name.includes(word)))) continue
        const said = waySaid(procedure, way, kind)
        // What is the same on several kinds is printed once, under the first of them.
        const body = said.slice(1).join('\n')
        if (printed.has(body)) continue
        printed.add(body)
        console.log(`${said.join('\n')}\n`)
      }
