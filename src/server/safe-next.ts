/** Where to go after signing in: a path of ours, never another site. */
export function safeNext(next: string | null): string {
  return next && /^\/(?![/\\])[^\\\s]*$/.test(next) ? next : '/round'
}
