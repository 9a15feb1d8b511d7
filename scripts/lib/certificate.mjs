// Certificates for the shop's own network, made at the first start with HTTPS_PORT and kept beside the data: an authority
// that tablets are told to trust once, and the server's own, signed by it and made anew before it runs out.
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import path from 'node:path';
import forge from 'node-forge';

const AUTHORITY_YEARS = 10;
/** What phones accept of a certificate at most is 825 days. */
const SERVER_DAYS = 800;
/** Made anew so long before it runs out, ms. */
const SPARE_MS = 30 * 24 * 3_600_000;
const DAY_MS = 24 * 3_600_000;

const { md, pki } = forge;
const subject = (name) => [
  { name: 'commonName', value: name },
  { name: 'organizationName', value: 'Jolly Bit on the shop network' },
];

/** What the server may be called on the network: its names, and the addresses that it has now. */
export function namesHere(given) {
  const own = hostname();
  const addresses = Object.values(networkInterfaces())
    .flat()
    .filter((at) => at && at.family === 'IPv4')
    .map((at) => at.address);
  return [...new Set([...given, own, `${own}.local`, 'localhost', '127.0.0.1', ...addresses])].filter(
    (name) => name && name !== '0.0.0.0' && name !== '::',
  );
}

function certificate(keys, name, days, extensions, signer) {
  const cert = pki.createCertificate();
  cert.publicKey = keys.publicKey;
  // A positive number of sixteen bytes.
  cert.serialNumber = `01${forge.util.bytesToHex(forge.random.getBytesSync(15))}`;
  cert.validity.notBefore = new Date(Date.now() - DAY_MS);
  cert.validity.notAfter = new Date(Date.now() + days * DAY_MS);
  cert.setSubject(subject(name));
  cert.setIssuer(signer ? signer.cert.subject.attributes : subject(name));
  cert.setExtensions([...extensions, { name: 'subjectKeyIdentifier' }]);
  cert.sign(signer ? signer.key : keys.privateKey, md.sha256.create());
  return cert;
}

const newKeys = () =>
  new Promise((resolve, reject) =>
    pki.rsa.generateKeyPair({ bits: 2048 }, (error, keys) => (error ? reject(error) : resolve(keys))),
  );

function keep(file, text, mode) {
  writeFileSync(file, text, { mode });
  chmodSync(file, mode);
}

async function authorityIn(folder) {
  const [certFile, keyFile] = ['shop-ca.crt', 'shop-ca.key'].map((name) => path.join(folder, name));
  if (existsSync(certFile) && existsSync(keyFile)) {
    const cert = pki.certificateFromPem(readFileSync(certFile, 'utf8'));
    if (cert.validity.notAfter.getTime() - Date.now() > SPARE_MS)
      return { cert, key: pki.privateKeyFromPem(readFileSync(keyFile, 'utf8')), pem: readFileSync(certFile, 'utf8') };
  }
  const keys = await newKeys();
  const cert = certificate(keys, `Workshop authority, ${hostname()}`, AUTHORITY_YEARS * 365, [
    { name: 'basicConstraints', cA: true, critical: true },
    { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
  ]);
  const pem = pki.certificateToPem(cert);
  keep(keyFile, pki.privateKeyToPem(keys.privateKey), 0o600);
  keep(certFile, pem, 0o644);
  return { cert, key: keys.privateKey, pem };
}

const namesIn = (cert) =>
  (cert.getExtension('subjectAltName')?.altNames ?? []).map((alt) => (alt.type === 7 ? alt.ip : alt.value));

/** Key and certificate of the server for these names, and the authority that tablets have to trust, all PEM. */
export async function shopCertificate(folder, names) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const authority = await authorityIn(folder);
  const [certFile, keyFile] = ['server.crt', 'server.key'].map((name) => path.join(folder, name));
  if (existsSync(certFile) && existsSync(keyFile)) {
    const pem = readFileSync(certFile, 'utf8');
    const cert = pki.certificateFromPem(pem);
    const has = new Set(namesIn(cert));
    if (
      names.every((name) => has.has(name)) &&
      cert.validity.notAfter.getTime() - Date.now() > SPARE_MS &&
      authority.cert.verify(cert)
    )
      return { cert: pem, key: readFileSync(keyFile, 'utf8'), authority: authority.pem };
  }
  const keys = await newKeys();
  const cert = certificate(
    keys,
    names[0],
    SERVER_DAYS,
    [
      { name: 'basicConstraints', cA: false },
      { name: 'keyUsage', digitalSignature: true, keyEncipherment: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      { name: 'subjectAltName', altNames: names.map((n) => (isIP(n) ? { type: 7, ip: n } : { type: 2, value: n })) },
    ],
    authority,
  );
  const made = {
    cert: pki.certificateToPem(cert),
    key: pki.privateKeyToPem(keys.privateKey),
    authority: authority.pem,
  };
  keep(keyFile, made.key, 0o600);
  keep(certFile, made.cert, 0o644);
  return made;
}

/** What a tablet is shown before it trusts the shop: plain, as nothing else is open by this address. */
export const trustPage = (address) => `<!doctype html>
<html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Trust this shop - Jolly Bit</title>
<style>body{font:18px/1.5 system-ui,sans-serif;max-width:40rem;margin:2rem auto;padding:0 1rem;color:#20242b;background:#e9e7e3}
a.key{display:inline-block;padding:.7rem 1.2rem;margin:.5rem 0;border-radius:4px;background:#b98a2f;color:#14161a;font-weight:700;text-decoration:none}
li{margin:.5rem 0}</style>
<h1>Open Jolly Bit on this tablet</h1>
<p>A browser keeps the bench for when there is no network only at an address that it trusts. Once on each tablet:</p>
<ol>
<li>Load the shop's certificate.<br><a class="key" href="/shop-ca.crt">Load shop-ca.crt</a></li>
<li>Trust it:
<ul>
<li>iPhone, iPad: Settings, General, VPN &amp; Device Management, install it; then General, About, Certificate Trust Settings, switch it on.</li>
<li>Android: Settings, Security, Encryption &amp; credentials, Install a certificate, CA certificate.</li>
<li>Windows: open it, Install Certificate, Local Machine, Trusted Root Certification Authorities.</li>
<li>Mac: open it in Keychain Access, set Always Trust.</li>
<li>Linux: in the browser's settings, Certificates, Authorities, Import.</li>
</ul></li>
<li>Open the shop: <a href="${address}">${address}</a></li>
</ol>
<p>The certificate names this server only. It never leaves the shop; its key stays beside the data.</p>
</html>
`;
