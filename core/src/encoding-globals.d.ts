/** The two text coders of the Encoding standard: every runtime that core runs in has them, no library of types that core may use declares them. */
declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean; ignoreBOM?: boolean })
  readonly encoding: string
  decode(input: Uint8Array): string
}
declare class TextEncoder {
  encode(input: string): Uint8Array<ArrayBuffer>
  encodeInto(input: string, into: Uint8Array): { read: number; written: number }
}
/** Addresses as the URL standard reads them. */
declare class URL {
  constructor(url: string, base?: string | URL)
  readonly origin: string
  readonly pathname: string
}
/** Base64 of HTML §8.3, one unit a byte. */
declare function atob(data: string): string
declare function btoa(data: string): string
