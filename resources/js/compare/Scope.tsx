import { useEffect, useRef } from 'react';

const [WIDTH, HEIGHT] = [256, 72];

/** How often each brightness is in a picture (luma of BT.709), and where it lies from left to right. */
export function Scope({
    image,
    label,
    waveform,
}: {
    image: HTMLImageElement | null;
    label: string;
    waveform: boolean;
}) {
    const canvas = useRef<HTMLCanvasElement>(null);
    useEffect(() => {
        const context = canvas.current?.getContext('2d');
        if (!context || image === null) {
            return;
        }
        const small = document.createElement('canvas');
        small.width = Math.min(WIDTH, image.width);
        small.height = Math.min(256, image.height);
        const read = small.getContext('2d', { willReadFrequently: true });
        if (!read) {
            return;
        }
        // Single pixels are taken and not mixed: mixing would narrow what is shown.
        read.imageSmoothingEnabled = false;
        read.drawImage(image, 0, 0, small.width, small.height);
        const { data } = read.getImageData(0, 0, small.width, small.height);
        const columns = waveform ? small.width : 1;
        const counts = new Uint32Array(columns * 256);
        for (let i = 0; i < data.length; i += 4) {
            const luma = Math.round(
                0.2126 * (data[i] ?? 0) + 0.7152 * (data[i + 1] ?? 0) + 0.0722 * (data[i + 2] ?? 0),
            );
            const column = waveform ? (i / 4) % small.width : 0;
            counts[column * 256 + luma] = (counts[column * 256 + luma] ?? 0) + 1;
        }
        context.clearRect(0, 0, WIDTH, HEIGHT);
        context.fillStyle = 'rgb(232 230 224 / 0.85)';
        if (waveform) {
            for (let x = 0; x < columns; x++) {
                for (let luma = 0; luma < 256; luma++) {
                    const count = counts[x * 256 + luma] ?? 0;
                    if (count > 0) {
                        context.globalAlpha = Math.min(1, 0.15 + (count / small.height) * 6);
                        context.fillRect((x * WIDTH) / columns, HEIGHT - 1 - (luma * (HEIGHT - 1)) / 255, 1, 1);
                    }
                }
            }
            context.globalAlpha = 1;
            return;
        }
        const most = Math.log1p(Math.max(...counts));
        for (let luma = 0; luma < 256; luma++) {
            const height = (Math.log1p(counts[luma] ?? 0) / most) * HEIGHT;
            context.fillRect(luma, HEIGHT - height, 1, height);
        }
    }, [image, waveform]);
    return (
        <figure className="text-[11.5px]">
            <figcaption className="text-soft">{label}</figcaption>
            <canvas
                ref={canvas}
                width={WIDTH}
                height={HEIGHT}
                role="img"
                aria-label={`${waveform ? 'Waveform' : 'Histogram'} of ${label}`}
                className="border border-line bg-[#111]"
            />
        </figure>
    );
}
