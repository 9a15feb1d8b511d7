// Certificates for the shop's own network, made at the first start with HTTPS_PORT and kept beside the data: an authority
// that tablets are told to trust once, and the server's own, signed by it and made anew before it runs out.
import { createHash } from 'node:crypto';
import { chmodSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
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

/** Written aside and then named, so that a start that breaks off leaves no half of one. */
function keep(file, text, mode) {
  const part = `${file}.part`;
  writeFileSync(part, text, { mode });
  chmodSync(part, mode);
  renameSync(part, file);
}

/** A certificate and its key as they lie there; undefined where one is missing, cannot be read, has run out, is not yet valid or the two are no pair. */
function pairIn(folder, name) {
  try {
    const [pem, keyPem] = ['crt', 'key'].map((end) => readFileSync(path.join(folder, `${name}.${end}`), 'utf8'));
    const [cert, key] = [pki.certificateFromPem(pem), pki.privateKeyFromPem(keyPem)];
    const { notBefore, notAfter } = cert.validity;
    const isNow = notBefore.getTime() <= Date.now() && notAfter.getTime() - Date.now() > SPARE_MS;
    return isNow && cert.publicKey.n.equals(key.n) ? { cert, key, pem, keyPem } : undefined;
  } catch {
    return undefined;
  }
}

/** Addresses of networks that are nobody's outside: address and mask. */
const PRIVATE = ['127.0.0.0/8', '10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '169.254.0.0/16'];
const { asn1 } = forge;
const bytesOf = (address) => address.split('.').map(Number);
function rangeBytes(range) {
  const [address, bits = '32'] = range.split('/');
  const mask = [0, 1, 2, 3].map((i) => 256 - 2 ** (8 - Math.min(8, Math.max(0, Number(bits) - 8 * i))));
  return String.fromCharCode(...bytesOf(address), ...mask);
}

/** An authority may vouch for these names, and for addresses in private networks, alone. */
function onlyFor(names) {
  const base = (type, value) =>
    asn1.create(asn1.Class.UNIVERSAL, asn1.Type.SEQUENCE, true, [
      asn1.create(asn1.Class.CONTEXT_SPECIFIC, type, false, value),
    ]);
  const bases = [
    ...names.filter((n) => !isIP(n)).map((n) => base(2, n)),
    ...[...PRIVATE, ...names.filter((n) => isIP(n) === 4)].map((n) => base(7, rangeBytes(n))),
  ];
  const permitted = asn1.create(asn1.Class.CONTEXT_SPECIFIC, 0, true, bases);
  const value = asn1.toDer(asn1.create(asn1.Class.UNIVERSAL, asn1.Type.SEQUENCE, true, [permitted])).getBytes();
  return { id: '2.5.29.30', name: 'nameConstraints', critical: true, value };
}

/** Whether an authority was made for all of these names; one of before vouches for any. */
const isFor = (cert, names) => {
  const value = cert.getExtension({ id: '2.5.29.30' })?.value;
  const isWithin = (address) =>
    PRIVATE.some((range) => {
      const [bytes, own] = [rangeBytes(range), bytesOf(address)];
      return own.every((byte, i) => (byte & bytes.charCodeAt(i + 4)) === bytes.charCodeAt(i));
    }) || value.includes(rangeBytes(address));
  return (
    value === undefined ||
    names.every((n) =>
      isIP(n) === 4 ? isWithin(n) : isIP(n) || value.includes(`\x82${String.fromCharCode(n.length)}${n}`),
    )
  );
};

async function authorityIn(folder, names) {
  const [certFile, keyFile] = ['shop-ca.crt', 'shop-ca.key'].map((name) => path.join(folder, name));
  const known = pairIn(folder, 'shop-ca');
  if (known && isFor(known.cert, names)) return known;
  const keys = await newKeys();
  const cert = certificate(keys, `Workshop authority, ${hostname()}`, AUTHORITY_YEARS * 365, [
    { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
    onlyFor(names),
    { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
  ]);
  const pem = pki.certificateToPem(cert);
  keep(keyFile, pki.privateKeyToPem(keys.privateKey), 0o600);
  keep(certFile, pem, 0o644);
  return { cert, key: keys.privateKey, pem };
}

const namesIn = (cert) =>
  (cert.getExtension('subjectAltName')?.altNames ?? []).map((alt) => (alt.type === 7 ? alt.ip : alt.value));

/** What tells one authority from another: compared by eye before a tablet trusts it. */
const fingerprintOf = (cert) =>
  createHash('sha256')
    .update(Buffer.from(asn1.toDer(pki.certificateToAsn1(cert)).getBytes(), 'binary'))
    .digest('hex')
    .toUpperCase()
    .match(/../g)
    .join(':');

function isSignedBy(cert, authority) {
  try {
    return authority.verify(cert);
  } catch {
    return false;
  }
}

/** Key and certificate of the server for these names, and the authority that tablets have to trust, all PEM. */
export async function shopCertificate(folder, names) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const authority = await authorityIn(folder, names);
  const [certFile, keyFile] = ['server.crt', 'server.key'].map((name) => path.join(folder, name));
  const known = pairIn(folder, 'server');
  const has = new Set(known ? namesIn(known.cert) : []);
  if (known && names.every((name) => has.has(name)) && isSignedBy(known.cert, authority.cert))
    return { cert: known.pem, key: known.keyPem, authority: authority.pem, fingerprint: fingerprintOf(authority.cert) };
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
    fingerprint: fingerprintOf(authority.cert),
  };
  keep(keyFile, made.key, 0o600);
  keep(certFile, made.cert, 0o644);
  return made;
}

/** What a tablet is shown before it trusts the shop: plain, as nothing else is open by this address. */
export const trustPage = (address, fingerprint) => `<!doctype html>
<html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Trust this shop - Jolly Bit</title>
<style>body{font:18px/1.5 system-ui,sans-serif;max-width:40rem;margin:2rem auto;padding:0 1rem;color:#20242b;background:#e9e7e3}
a.key{display:inline-block;padding:.7rem 1.2rem;margin:.5rem 0;border-radius:4px;background:#b98a2f;color:#14161a;font-weight:700;text-decoration:none}
li{margin:.5rem 0}</style>
<h1>Open Jolly Bit on this tablet</h1>
<p>A browser keeps the bench for when there is no network only at an address that it trusts. Once on each tablet:</p>
<ol>
<li>Load the shop's certificate.<br><a class="key" href="/shop-ca.crt">Load shop-ca.crt</a></li>
<li>Compare its fingerprint (SHA-256) with the one that the server prints when it starts:<br><code style="overflow-wrap:anywhere">${fingerprint}</code></li>
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
