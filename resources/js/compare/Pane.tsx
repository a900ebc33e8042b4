import { useEffect, useRef } from 'react';
import type { FaultMap } from '../api/types';
import { drawFaults } from './drawFaults';

export interface Place {
    /** Pixels of the screen for one of the picture; 0 fits it in. */
    zoom: number;
    /** What of the picture lies in the middle, 0 to 1. */
    x: number;
    y: number;
}

interface Props {
    image: HTMLImageElement | null;
    /** Laid over it as a difference, so many times stronger. */
    other?: HTMLImageElement | null;
    gain?: number;
    place: Place;
    /** Shadows are lifted by this power of light; 1 shows the picture as it is. */
    lift: number;
    /** Where detail was lost and bands came, drawn over it. */
    faults?: FaultMap | undefined;
    /** Only right of this share of the width. */
    from?: number;
    label: string;
}

/** A picture on neutral grey: every pixel as it is, without smoothing where it is shown at its size or larger. */
export function Pane({ image, other, gain = 1, place, lift, faults, from = 0, label }: Props) {
    const canvas = useRef<HTMLCanvasElement>(null);
    useEffect(() => {
        const element = canvas.current;
        const context = element?.getContext('2d');
        const around = element?.parentElement;
        if (!element || !context || !around) {
            return;
        }
        const draw = () => {
            const ratio = window.devicePixelRatio || 1;
            // Whole pixels of the screen: half a pixel more would smooth every one of them.
            const [width, height] = [around.clientWidth, around.clientHeight].map((side) =>
                Math.floor(side * ratio),
            ) as [number, number];
            element.width = width;
            element.height = height;
            element.style.width = `${width / ratio}px`;
            element.style.height = `${height / ratio}px`;
            context.clearRect(0, 0, width, height);
            if (image === null) {
                return;
            }
            const fits = Math.min(width / image.width, height / image.height);
            const scale = place.zoom === 0 ? fits : place.zoom;
            const [w, h] = [image.width * scale, image.height * scale];
            const left = w <= width ? (width - w) / 2 : Math.min(0, Math.max(width - w, width / 2 - place.x * w));
            const top = h <= height ? (height - h) / 2 : Math.min(0, Math.max(height - h, height / 2 - place.y * h));
            context.imageSmoothingEnabled = scale < 1;
            context.save();
            context.beginPath();
            context.rect(from * width, 0, width, height);
            context.clip();
            context.globalCompositeOperation = 'source-over';
            context.drawImage(image, Math.round(left), Math.round(top), Math.round(w), Math.round(h));
            if (other) {
                context.globalCompositeOperation = 'difference';
                context.drawImage(other, Math.round(left), Math.round(top), Math.round(w), Math.round(h));
                context.globalCompositeOperation = 'color-dodge';
                context.fillStyle = `rgb(${Array(3)
                    .fill(Math.round(255 - 255 / gain))
                    .join(',')})`;
                context.fillRect(Math.round(left), Math.round(top), Math.round(w), Math.round(h));
            }
            context.globalCompositeOperation = 'source-over';
            if (faults) {
                drawFaults(context, faults, { left, top, width: w, height: h }, ratio);
            }
            context.restore();
        };
        draw();
        const watch = new ResizeObserver(draw);
        watch.observe(around);
        return () => watch.disconnect();
    }, [image, other, gain, place, faults, from]);
    return (
        <canvas
            ref={canvas}
            role="img"
            aria-label={label}
            className="absolute top-0 left-0"
            style={lift === 1 ? undefined : { filter: 'url(#lift)' }}
        />
    );
}
