/** Where to go after signing in: a path of ours as addresses are spelt, never another site. */
export function safeNext(next: string | null): string {
  return next && /^\/(?![/\\])[!-[\]-~]*$/.test(next) ? next : '/round'
}
