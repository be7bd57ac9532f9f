export interface UnitSettings {
  /** The project's folder. */
  root: string
  /** A user of its own that owns the folder. */
  user: string
  node: string
  /** What is set for the application, `EVENSHOT_…`. */
  environment: Record<string, string | undefined>
}

/**
 * A unit for systemd: the application may write its own folder and nothing else, gains no rights, and is started again
 * whatever ends it. Stopping it gives those who are answered, and the database, time to finish.
 */
export function unitFile({ root, user, node, environment }: UnitSettings): string {
  const settings = Object.entries(environment)
    .filter(([, value]) => value !== undefined)
    .map(([name, value]) => `Environment=${quoted(`${name}=${value}`)}`)
  return `[Unit]
Description=Even Shot
After=network.target

[Service]
Type=simple
User=${user}
WorkingDirectory=${root}
ExecStart=${quoted(node)} scripts/start.mjs
${settings.map((line) => `${line}\n`).join('')}Restart=always
RestartSec=2
# The process that keeps the others is told; it ends them in order.
KillMode=mixed
TimeoutStopSec=60
# The first start installs and builds.
TimeoutStartSec=infinity
UMask=0077
NoNewPrivileges=yes
CapabilityBoundingSet=
ProtectSystem=strict
ReadWritePaths=${[root, environment.EVENSHOT_DATA]
    .filter((path) => path !== undefined)
    .map(quoted)
    .join(' ')}
ProtectHome=${/^\/(home|root|run\/user)\//.test(root) ? 'read-only' : 'yes'}
PrivateTmp=yes
PrivateDevices=yes
ProtectClock=yes
ProtectHostname=yes
ProtectControlGroups=yes
ProtectKernelLogs=yes
ProtectKernelModules=yes
ProtectKernelTunables=yes
RestrictAddressFamilies=AF_INET AF_INET6 AF_UNIX
RestrictNamespaces=yes
RestrictRealtime=yes
RestrictSUIDSGID=yes
LockPersonality=yes
SystemCallArchitectures=native

[Install]
WantedBy=multi-user.target
`
}

/** As systemd reads words: quotes around, and what means something to it said twice. */
const quoted = (text: string): string =>
  `"${text.replaceAll('\\', '\\\\').replaceAll('"', '\\"').replaceAll('%', '%%')}"`
