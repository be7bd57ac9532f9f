import { spawn } from 'node:child_process'
import { createReadStream, createWriteStream, mkdirSync, readdirSync, rmSync } from 'node:fs'
import { open } from 'node:fs/promises'
import { basename, dirname, join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { ReadableStream as WebStream } from 'node:stream/web'
import { Decrypter, Encrypter } from 'age-encryption'

/** What a sealed backup's name ends with: a tar, in the age format, version 1. */
export const sealedEnding = '.tar.age'

/** Whom backups are sealed for, by their public keys; none where they are left open. */
export function sealedFor(said = process.env.EVENSHOT_BACKUP_FOR ?? ''): string[] {
  const keys = said.split(/[\s,]+/).filter(Boolean)
  const wrong = keys.find((key) => !/^age1[a-z0-9]{20,}$/.test(key))
  if (wrong) throw new Error(`EVENSHOT_BACKUP_FOR takes public keys that begin with age1: ${JSON.stringify(wrong)}`)
  return keys
}

/**
 * Packs a folder into one file that only whoever holds a key can open, and takes the folder away.
 * @returns the file, beside where the folder was; on the disk before the folder goes
 */
export async function seal(folder: string, keys: string[]): Promise<string> {
  const file = `${folder}${sealedEnding}`
  const encrypter = new Encrypter()
  for (const key of keys) encrypter.addRecipient(key)
  const tar = program(['-C', dirname(folder), '-cf', '-', basename(folder)])
  try {
    const sealed = await encrypter.encrypt(Readable.toWeb(tar.child.stdout!) as ReadableStream<Uint8Array>)
    await pipeline(
      Readable.fromWeb(sealed as unknown as WebStream),
      createWriteStream(file, { flags: 'wx', mode: 0o600 }),
    )
    await tar.ended
    const written = await open(file, 'r')
    await written.sync().finally(() => written.close())
  } catch (error) {
    rmSync(file, { force: true })
    throw error
  }
  rmSync(folder, { recursive: true })
  return file
}

/** Seals what was just written where that is asked for. @returns where it is now */
export async function sealIfAsked(folder: string): Promise<string> {
  const keys = sealedFor()
  return keys.length > 0 ? seal(folder, keys) : folder
}

/**
 * Opens a sealed backup.
 * @param identity - the secret key, `AGE-SECRET-KEY-1…`, lines of a key file and all
 * @param into - a folder that does not exist yet; it is gone again where the file could not be opened whole
 * @returns the backup's own folder
 */
export async function unseal(file: string, identity: string, into: string): Promise<string> {
  const decrypter = new Decrypter()
  const keys = identity.split('\n').filter((line) => line.trim().startsWith('AGE-SECRET-KEY-'))
  if (keys.length === 0) throw new Error('The key file has no line that begins with AGE-SECRET-KEY-')
  for (const key of keys) decrypter.addIdentity(key.trim())
  mkdirSync(into, { recursive: true, mode: 0o700 })
  try {
    const opened = await decrypter.decrypt(Readable.toWeb(createReadStream(file)) as ReadableStream<Uint8Array>)
    const tar = program(['-C', into, '-xf', '-'])
    await pipeline(Readable.fromWeb(opened as unknown as WebStream), tar.child.stdin!)
    await tar.ended
  } catch (error) {
    rmSync(into, { recursive: true, force: true })
    throw new Error(`${file} could not be opened: another key, or it is damaged (${(error as Error).message})`)
  }
  return join(into, readdirSync(into)[0]!)
}

function program(args: string[]) {
  const child = spawn('tar', args, { stdio: ['pipe', 'pipe', 'pipe'] })
  let said = ''
  child.stderr.on('data', (text) => (said += text))
  const ended = new Promise<void>((resolve, reject) => {
    child.once('error', reject)
    child.once('close', (code) => (code === 0 ? resolve() : reject(new Error(`tar: ${said.trim() || code}`))))
  })
  // Whoever waits for the pipe hears of it there first.
  ended.catch(() => undefined)
  return { child, ended }
}
