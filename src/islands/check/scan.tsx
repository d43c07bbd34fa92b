import { ScanBarcode } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';

/** The browser's own reader of barcodes, where it has one (W3C Shape Detection). */
interface BarcodeReader {
  detect(source: HTMLVideoElement): Promise<{ rawValue: string }[]>;
}
declare global {
  interface Window {
    BarcodeDetector?: new (options: { formats: string[] }) => BarcodeReader;
  }
}

const FORMATS = ['ean_13', 'ean_8', 'upc_a', 'itf'];
const BETWEEN = 200;

/** Reads a barcode with the camera of the phone; not there where the browser cannot. */
export function Scan({ onCode }: { onCode: (code: string) => void }) {
  const [can, setCan] = useState(false);
  const [open, setOpen] = useState(false);
  useEffect(() => setCan(window.BarcodeDetector !== undefined && navigator.mediaDevices !== undefined), []);
  if (!can) return null;
  return open ? (
    <Camera
      onCode={(code) => {
        setOpen(false);
        onCode(code);
      }}
      onClose={() => setOpen(false)}
    />
  ) : (
    <button type="button" className="btn btn-sm" onClick={() => setOpen(true)}>
      <ScanBarcode size={16} aria-hidden="true" /> Scan
    </button>
  );
}

function Camera({ onCode, onClose }: { onCode: (code: string) => void; onClose: () => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const [fault, setFault] = useState(false);
  const found = useRef(onCode);
  found.current = onCode;
  useEffect(() => {
    let stream: MediaStream | undefined;
    let timer: ReturnType<typeof setInterval> | undefined;
    const reader = new window.BarcodeDetector!({ formats: FORMATS });
    navigator.mediaDevices
      .getUserMedia({ video: { facingMode: 'environment' } })
      .then(async (got) => {
        stream = got;
        if (!video.current) return;
        video.current.srcObject = got;
        await video.current.play();
        timer = setInterval(async () => {
          const [code] = video.current ? await reader.detect(video.current) : [];
          if (code) found.current(code.rawValue);
        }, BETWEEN);
      })
      .catch(() => setFault(true));
    return () => {
      clearInterval(timer);
      for (const track of stream?.getTracks() ?? []) track.stop();
    };
  }, []);
  return (
    <div className="w-full max-w-xl">
      {fault ? (
        <p role="alert">The camera is not to be had. Type the barcode instead.</p>
      ) : (
        <video ref={video} muted playsInline className="max-h-64 w-full rounded-box bg-base-300" />
      )}
      <button type="button" className="btn btn-sm mt-1" onClick={onClose}>
        Close the camera
      </button>
    </div>
  );
}
