import { promisify } from 'node:util';
import { deflateRaw, deflateRawSync, inflateRaw, inflateRawSync } from 'node:zlib';

const deflate = promisify<Uint8Array | string, Buffer>(deflateRaw);
const inflate = promisify<Uint8Array, { maxOutputLength: number }, Buffer>(inflateRaw);

/** Nothing that was packed here is larger than this when it is unpacked, bytes. */
const largest = { maxOutputLength: 256e6 };

/** Packs what is kept of the past (RFC 1951), beside the main thread. */
export const pack = (content: Uint8Array | string): Promise<Buffer> => deflate(content);

/** @throws Error when the bytes are not whole */
export const unpack = (packed: Uint8Array): Promise<Buffer> => inflate(packed, largest);

export const packNow = (content: Uint8Array | string): Buffer => deflateRawSync(content);
export const unpackNow = (packed: Uint8Array): Buffer => inflateRawSync(packed, largest);
