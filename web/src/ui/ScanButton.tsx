import { Dialog } from './Dialog.tsx';
import { Button, Text } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';

/** What of the browser's own reader of codes is used here; it is not in every browser. */
interface CodeReader {
  detect: (from: HTMLVideoElement) => Promise<{ rawValue: string }[]>;
}
type CodeReaderMaker = new () => CodeReader;

const readerMaker = (): CodeReaderMaker | undefined =>
  (globalThis as { BarcodeDetector?: CodeReaderMaker }).BarcodeDetector;

/** Whether this device has a camera that a page may use, and a browser that reads codes. */
export const canScan = (): boolean =>
  readerMaker() !== undefined && navigator.mediaDevices !== undefined;

/** Between two looks at the picture, ms. */
const lookMs = 200;

/** Reads a code off a part by the camera; nothing where there is none: a scanner that types needs no button. */
export function ScanButton({ onRead }: { onRead: (text: string) => void }) {
  const [isOpen, setOpen] = useState(false);
  if (!canScan()) return null;
  return (
    <>
      <Button variant="default" size="md" onClick={() => setOpen(true)}>
        Scan
      </Button>
      {isOpen && (
        <Dialog onClose={() => setOpen(false)} title="Hold the code before the camera">
          <Viewfinder
            onRead={(text) => {
              setOpen(false);
              onRead(text);
            }}
          />
        </Dialog>
      )}
    </>
  );
}

function Viewfinder({ onRead }: { onRead: (text: string) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const [fault, setFault] = useState('');
  const read = useRef(onRead);
  useEffect(() => {
    read.current = onRead;
  });
  useEffect(() => {
    let isWanted = true;
    let stream: MediaStream | undefined;
    const look = async () => {
      stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
      const picture = video.current;
      const Maker = readerMaker();
      if (!isWanted || !picture || !Maker) return;
      picture.srcObject = stream;
      await picture.play();
      const reader = new Maker();
      while (isWanted) {
        const [found] = await reader.detect(picture);
        if (found && isWanted) {
          read.current(found.rawValue.trim());
          return;
        }
        await new Promise((resolve) => setTimeout(resolve, lookMs));
      }
    };
    look()
      .catch(() => setFault('The camera cannot be used here. Type what stands on the part.'))
      .finally(() => {
        if (!isWanted) stop();
      });
    const stop = () => stream?.getTracks().forEach((track) => track.stop());
    return () => {
      isWanted = false;
      stop();
    };
  }, []);
  return fault ? (
    <Text role="alert">{fault}</Text>
  ) : (
    <video ref={video} muted playsInline style={{ width: '100%' }} aria-label="Camera" />
  );
}
