/** The address of a file of a site from its root, with a leading `/`: each segment encoded (RFC 3986 §3.3). Never throws; half a surrogate pair is no address anywhere. */
export function addressOf(path: string): string {
  return `/${path.replace(LONE, '\ufffd').split('/').map(encodeURIComponent).join('/')}`
}

/** The path that an address means, without its leading `/`. Never throws: a `%` that encodes nothing stands for itself, as browsers leave it. */
export function pathAt(address: string): string {
  return address.replace(/(?:%[\da-f]{2})+/gi, decoded).replace(/^\/+/, '')
}

/** Surrogates that are no pair. */
const LONE = /\p{Surrogate}/gu

function decoded(encoded: string): string {
  try {
    return decodeURIComponent(encoded)
  } catch {
    return encoded
  }
}
