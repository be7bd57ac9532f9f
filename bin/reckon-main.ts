import { text } from 'node:stream/consumers'
import type { Issue } from '../src/core/parse/parse-strict.ts'
import { toJsonSchema } from '../src/core/parse/to-json-schema.ts'
import { topics } from '../src/core/topics/index.ts'

/**
 * `reckon`, `reckon TOPIC --example`, `reckon TOPIC --schema`, or `reckon TOPIC` with JSON on standard input.
 * @returns the exit code: 0, or 2 with one line per problem on standard error
 */
export async function main(args: string[]): Promise<number> {
  const [name, flag] = args
  if (name === undefined || name === '--help') {
    for (const topic of topics) process.stdout.write(`${topic.name.padEnd(12)}${topic.about}\n`)
    process.stdout.write('\nreckon TOPIC < input.json · reckon TOPIC --example · reckon TOPIC --schema\n')
    return 0
  }
  const topic = topics.find((candidate) => candidate.name === name)
  if (!topic)
    return complain([`topic: ${JSON.stringify(name)} is unknown; one of ${topics.map((t) => t.name).join(', ')}`])
  if (flag === '--example') return print(topic.example)
  if (flag === '--schema') return print({ ...toJsonSchema(topic.schema, `reckon ${topic.name}`), ...topic.together })
  if (flag !== undefined) return complain([`option: ${JSON.stringify(flag)} is unknown; --example or --schema`])

  let input: unknown
  try {
    input = JSON.parse(await text(process.stdin))
  } catch (error) {
    return complain([`input: is not JSON (${(error as Error).message})`])
  }
  const asked = topic.ask(input)
  if (!asked.ok) return complain(asked.issues.map(line))
  const lost = notFinite(asked.answer.result, 'result')
  if (lost) return complain([`input: too large or too small to reckon with (${lost})`])
  return print(asked.answer)
}

function line({ path, value, message }: Issue): string {
  const quoted =
    value === undefined
      ? ''
      : `${typeof value === 'number' ? String(value) : (JSON.stringify(value) ?? String(value))} `
  return `${path || 'input'}: ${quoted}${message}`
}

/** JSON has no infinity and would print null: better to say so. */
function notFinite(value: unknown, path: string): string | null {
  if (typeof value === 'number') return Number.isFinite(value) ? null : path
  if (typeof value !== 'object' || value === null) return null
  for (const [key, inner] of Object.entries(value)) {
    const found = notFinite(inner, `${path}.${key}`)
    if (found) return found
  }
  return null
}

function print(value: unknown): number {
  process.stdout.write(`${JSON.stringify(value, null, 2)}\n`)
  return 0
}

function complain(lines: string[]): number {
  for (const problem of lines) process.stderr.write(`${problem.replaceAll('\n', ' ')}\n`)
  return 2
}
