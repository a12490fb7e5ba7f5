import { Observable } from 'rxjs';
import { webSocket } from 'rxjs/webSocket';

/** A way to a board: lines to and fro. */
export interface BoardLink {
  /** Opens the way when it is listened to and closes it afterwards; fails with the reason when it breaks. */
  readonly lines: Observable<string>;
  send: (line: string) => void;
}

/** The stand-in board that ships with the server. */
export function standInLink(design: string): BoardLink {
  const { protocol, host } = window.location;
  const socket = webSocket<string>({
    url: `${protocol === 'https:' ? 'wss' : 'ws'}://${host}/api/designs/${design}/bench`,
    serializer: (line) => line,
    deserializer: (event) => String(event.data),
  });
  return { lines: socket.asObservable(), send: (line) => socket.next(line) };
}

/** Whether this browser can open serial lines. */
export const canSerial = (): boolean => 'serial' in navigator;

const baudRate = 115_200;

/**
 * A real board at a serial line that the maker chooses in a dialog of the browser.
 *
 * @throws DOMException when none is chosen or it cannot be opened
 */
export async function serialLink(): Promise<BoardLink> {
  const port = await navigator.serial.requestPort();
  await port.open({ baudRate });
  const writer = port.writable?.getWriter();
  const encoder = new TextEncoder();
  return {
    lines: linesOf(port),
    send: (line) => void writer?.write(encoder.encode(`${line}\n`)).catch(() => undefined),
  };
}

/** The lines that a port sends; listening ends with the port closed. */
function linesOf(port: SerialPort): Observable<string> {
  return new Observable((observer) => {
    const decoder = new TextDecoder();
    const reader = port.readable?.getReader();
    let rest = '';
    const read = async (): Promise<void> => {
      for (;;) {
        const { value, done } = (await reader?.read()) ?? { done: true };
        if (done || !value) break;
        const lines = (rest + decoder.decode(value, { stream: true })).split('\n');
        rest = lines.pop() ?? '';
        for (const line of lines) observer.next(line);
      }
      observer.complete();
    };
    read().catch((error: unknown) => observer.error(error));
    return () => {
      const end = async (): Promise<void> => {
        await reader?.cancel();
        reader?.releaseLock();
        await port.close();
      };
      void end().catch(() => undefined);
    };
  });
}
