/** The page that shows a phone how to trust the shop's own authority: plain, for it opens before it is trusted. */
import { Hono } from 'hono';
import { html } from 'hono/html';

export const TRUST_PATH = '/trust';

export function trustPage({ authority, fingerprint }: { authority: string; fingerprint: string }) {
  return new Hono()
    .get('/authority.crt', (c) =>
      c.body(authority, 200, {
        'content-type': 'application/x-x509-ca-cert',
        'content-disposition': 'attachment; filename="jeitinho-authority.crt"',
      }),
    )
    .get('/', (c) =>
      c.html(
        html`<!doctype html>
          <html lang="en">
            <head>
              <meta charset="utf-8" />
              <meta name="viewport" content="width=device-width, initial-scale=1" />
              <title>Trust this shop’s Jeitinho</title>
              <style>
                body {
                  font:
                    18px/1.5 system-ui,
                    sans-serif;
                  max-width: 34rem;
                  margin: 0 auto;
                  padding: 1rem;
                  color: #1c1b18;
                  background: #faf8f3;
                }
                a {
                  display: inline-block;
                  padding: 0.8rem 1.2rem;
                  background: #1c1b18;
                  color: #faf8f3;
                }
                code {
                  display: block;
                  overflow-wrap: anywhere;
                  padding: 0.6rem;
                  background: #fff;
                  border: 1px solid #8a857a;
                }
              </style>
            </head>
            <body>
              <h1>Trust this shop’s Jeitinho</h1>
              <p>
                Once on each phone or tablet: then camera, meters and work without a network are
                there.
              </p>
              <ol>
                <li>
                  Compare this with what the owner’s screen shows under Shop, Keeping. If a single
                  letter differs, stop: this is not your shop’s server.
                  <code>${fingerprint}</code>
                </li>
                <li><a href="/trust/authority.crt">Fetch the authority</a></li>
                <li>
                  Install it: on Android under Security, Encryption, Install a certificate, CA
                  certificate; on an iPhone open the profile in Settings, then switch it on under
                  General, About, Certificate Trust Settings. On a computer open the file, or import
                  it in the browser’s settings as an authority for websites.
                </li>
                <li>Close this page, open the address again, and sign in.</li>
              </ol>
            </body>
          </html>`,
      ),
    );
}
