export const root: string
export function installDependencies(): void
export function locked<T>(name: string, work: () => Promise<T>): Promise<T>
export function stop(message: string): never
