/**
 * Certificates for the field: a small authority of this machine's own, and a certificate by it for the addresses the machine has now. Phones
 * that believe the authority talk to the laptop over HTTPS, which keeps the day on them when the network is away.
 */
import { randomBytes, webcrypto } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { isIP } from 'node:net'
import os from 'node:os'
import path from 'node:path'
// its decorators need this before it
import 'reflect-metadata'
import * as x509 from '@peculiar/x509'

const KEY = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' }
const DAY_MS = 86_400_000
/** Browsers refuse certificates that are good for longer than 398 days; an authority is believed once, on every phone. */
const [AUTHORITY_DAYS, CERTIFICATE_DAYS, RENEW_DAYS] = [1_825, 300, 30]
/** What the authority may vouch for besides the names of this machine: addresses that exist on local networks alone. */
const LOCAL_NETWORKS = ['10.0.0.0/8', '172.16.0.0/12', '192.168.0.0/16', '169.254.0.0/16', '127.0.0.0/8']

x509.cryptoProvider.set(webcrypto)

/** Addresses by which other devices reach this machine, IPv4 of local networks alone. */
export const fieldAddresses = () =>
  Object.values(os.networkInterfaces())
    .flatMap((entries) => entries ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address)
    .filter(isLocal)

const isLocal = (address) => {
  const [a = 0, b = 0] = address.split('.').map(Number)
  return a === 10 || (a === 172 && b >= 16 && b < 32) || (a === 192 && b === 168) || (a === 169 && b === 254)
}

/** Names of this machine on a local network. */
const fieldNames = () => {
  const name = os
    .hostname()
    .toLowerCase()
    .replace(/\.local$/, '')
  return /^[a-z0-9-]+$/.test(name) ? [name, `${name}.local`] : []
}

/** The names the authority may vouch for: those the machine had when it was made. */
const NAMES = 'authority-names.json'

const makeKeys = () => webcrypto.subtle.generateKey(KEY, true, ['sign', 'verify'])
const serial = () => randomBytes(16).toString('hex')
const span = (days) => ({ notBefore: new Date(Date.now() - DAY_MS), notAfter: new Date(Date.now() + days * DAY_MS) })

/** A private key on disk is read by its owner alone. */
const writeKey = async (file, key) => {
  const pem = x509.PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), 'PRIVATE KEY')
  writeFileSync(file, pem, { mode: 0o600 })
}
const readKey = (file) => {
  const [der] = x509.PemConverter.decode(readFileSync(file, 'utf8'))
  return webcrypto.subtle.importKey('pkcs8', der, KEY, false, ['sign'])
}

/** RFC 5280, 4.2.1.10: the names and networks below which the authority may vouch. */
const nameConstraints = (names) => {
  const bytesOf = (cidr) => {
    const [address = '', bits = '32'] = cidr.split('/')
    const mask = (0xffffffff << (32 - Number(bits))) >>> 0
    const octets = (value) => [24, 16, 8, 0].map((shift) => (value >>> shift) & 0xff)
    return Uint8Array.from([...address.split('.').map(Number), ...octets(mask)])
  }
  const der = (tag, body) => {
    const { length } = body
    const size = length < 128 ? [length] : length < 256 ? [0x81, length] : [0x82, length >> 8, length & 0xff]
    return Uint8Array.from([tag, ...size, ...body])
  }
  // dNSName is [2], iPAddress [7], each in a GeneralSubtree, which is a sequence
  const subtrees = [
    ...['localhost', ...names].map((name) => der(0x30, der(0x82, Buffer.from(name, 'ascii')))),
    ...LOCAL_NETWORKS.map((network) => der(0x30, der(0x87, bytesOf(network)))),
  ]
  const permitted = der(
    0xa0,
    subtrees.flatMap((bytes) => [...bytes]),
  )
  return new x509.Extension('2.5.29.30', true, der(0x30, permitted))
}

const makeAuthority = async (folder, names) => {
  const keys = await makeKeys()
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: `CN=Able Gauge on ${names[0] ?? 'this machine'}, O=Able Gauge field authority`,
    ...span(AUTHORITY_DAYS),
    signingAlgorithm: KEY,
    keys,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      nameConstraints(names),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  })
  await writeKey(path.join(folder, 'authority-key.pem'), keys.privateKey)
  writeFileSync(path.join(folder, NAMES), JSON.stringify(names))
  // last: where it stands, the rest does
  writeFileSync(path.join(folder, 'authority.pem'), certificate.toString('pem'))
  return certificate
}

const makeCertificate = async (folder, authority, hosts) => {
  const keys = await makeKeys()
  const certificate = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: 'CN=Able Gauge',
    issuer: authority.subject,
    ...span(CERTIFICATE_DAYS),
    signingAlgorithm: KEY,
    publicKey: keys.publicKey,
    signingKey: await readKey(path.join(folder, 'authority-key.pem')),
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(hosts.map((value) => ({ type: isIP(value) ? 'ip' : 'dns', value }))),
      await x509.AuthorityKeyIdentifierExtension.create(authority),
    ],
  })
  await writeKey(path.join(folder, 'server-key.pem'), keys.privateKey)
  writeFileSync(path.join(folder, 'server.pem'), certificate.toString('pem'))
}

/** Whether a certificate is good for these hosts and no others, for a while yet, and by this authority. */
const covers = async (file, authority, hosts) => {
  if (!existsSync(file)) return false
  const certificate = new x509.X509Certificate(readFileSync(file, 'utf8'))
  const named = certificate.getExtension(x509.SubjectAlternativeNameExtension)?.names.toJSON() ?? []
  const known = new Set(named.map(({ value }) => value))
  return (
    (await certificate.verify({ publicKey: authority, signatureOnly: true })) &&
    certificate.notAfter.getTime() > Date.now() + RENEW_DAYS * DAY_MS &&
    known.size === hosts.length &&
    hosts.every((host) => known.has(host))
  )
}

/**
 * The certificate of this machine for the addresses it has now; made anew when they changed. The authority stays, so that a phone
 * believes it once.
 * @param folder kept from start to start
 * @param addresses of this machine on its networks
 * @returns paths of the files, and whether the authority is new
 */
export const openAuthority = async (folder, addresses = fieldAddresses(), names = fieldNames()) => {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const authorityFile = path.join(folder, 'authority.pem')
  const isThere = existsSync(authorityFile) && existsSync(path.join(folder, NAMES))
  const known = isThere ? new x509.X509Certificate(readFileSync(authorityFile, 'utf8')) : null
  const isGood = known !== null && known.notAfter.getTime() > Date.now() + RENEW_DAYS * DAY_MS
  const authority = isGood ? known : await makeAuthority(folder, names)
  // a name it was not made for would spoil the whole certificate; a machine that was renamed is reached by its addresses
  const vouched = new Set(JSON.parse(readFileSync(path.join(folder, NAMES), 'utf8')))
  const hosts = [...new Set(['localhost', '127.0.0.1', ...names.filter((name) => vouched.has(name)), ...addresses])]
  const certificateFile = path.join(folder, 'server.pem')
  if (!(await covers(certificateFile, authority, hosts))) await makeCertificate(folder, authority, hosts)
  return { authorityFile, certificateFile, keyFile: path.join(folder, 'server-key.pem'), isNew: !isGood }
}
