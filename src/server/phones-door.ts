import { X509Certificate } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { createServer, type RequestListener, type Server } from 'node:http'
import { createServer as createSecureServer } from 'node:https'

/** Where phones of the workshop's network come in: TLS, and a page that says how to trust it. */
export interface PhonesDoor {
  host: string
  /** Of the application, over TLS. */
  port: number
  /** Of the page that hands out the authority's certificate, and nothing else. */
  welcomePort: number
  keyFile: string
  certificateFile: string
  authorityFile: string
}

/** The servers of a door, not listening yet, each with its port. */
export function doorServers(door: PhonesDoor, app: RequestListener): { server: Server; port: number }[] {
  const authority = readFileSync(door.authorityFile)
  const secure = createSecureServer(
    { key: readFileSync(door.keyFile), cert: Buffer.concat([readFileSync(door.certificateFile), authority]) },
    (request, response) => {
      // Nobody stands between: who asks is whoever is connected, whatever they say of themselves.
      request.headers['x-forwarded-for'] = request.socket.remoteAddress ?? 'unknown'
      app(request, response)
    },
  )
  return [
    { server: secure as unknown as Server, port: door.port },
    { server: createServer(welcome(door, authority)), port: door.welcomePort },
  ]
}

/** The page over plain HTTP: it holds nothing that must be kept from anybody, and asks for nothing. */
function welcome(door: PhonesDoor, authority: Buffer): RequestListener {
  const page = welcomePage(door, new X509Certificate(authority).fingerprint256)
  return (request, response) => {
    const path = (request.url ?? '').split('?')[0]
    if (path === '/even-shot.crt') {
      response.writeHead(200, {
        'content-type': 'application/x-x509-ca-cert',
        'content-disposition': 'attachment; filename="even-shot.crt"',
      })
      response.end(authority)
      return
    }
    response.writeHead(path === '/' ? 200 : 404, {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'",
      'cache-control': 'no-store',
    })
    response.end(page)
  }
}

const welcomePage = ({ host, port }: PhonesDoor, fingerprint: string): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Even Shot for this phone</title>
<style>
body{font:17px/1.5 system-ui,sans-serif;color:#16201f;background:#f4f6f5;margin:0 auto;padding:20px;max-width:36em}
h1{font-size:24px;margin:0 0 8px}code{font:15px/1.6 ui-monospace,monospace;word-break:break-all}
a.go{display:block;background:#b4532a;color:#fff;text-decoration:none;font-weight:600;padding:14px;margin:12px 0;text-align:center}
li{padding:4px 0}p.warn{border-left:4px solid #b08a2e;padding-left:12px}
@media (prefers-color-scheme:dark){body{color:#e8efec;background:#101817}}
</style></head><body>
<h1>Even Shot for this phone</h1>
<ol>
<li>Compare this fingerprint with the one on the computer that runs it. If one sign differs, stop here.<br><code>${fingerprint}</code></li>
<li><a class="go" href="/even-shot.crt">Fetch the certificate</a></li>
<li><b>iPhone, iPad:</b> Settings, “Profile downloaded”, Install. Then General, About, Certificate trust settings: switch it on.</li>
<li><b>Android:</b> Settings, Security, More, Install a certificate, CA certificate: choose the file. The phone warns: it cannot know you made it.</li>
<li><a class="go" href="https://${host}:${port}/">Open Even Shot</a>Save it to the home screen from the browser’s menu.</li>
</ol>
<p class="warn">From then on this phone believes what this computer vouches for: addresses inside private networks, nothing on the internet. When the phone leaves the firm, remove the certificate where you installed it.</p>
</body></html>
`
