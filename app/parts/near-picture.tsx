import { useEffect, useRef, useState } from 'react';

/** How far from the view a picture is fetched, in pixels. */
const NEAR = '200px';

/** Pictures that are not near yet, and what to do once they are. */
const waiting = new Map<Element, () => void>();
let watch: IntersectionObserver | undefined;
const watched = (): IntersectionObserver =>
  (watch ??= new IntersectionObserver(
    (entries) => {
      for (const { target, isIntersecting } of entries) if (isIntersecting) waiting.get(target)?.();
    },
    // The second, for what scrolls within the page, is not in the library's types yet.
    { rootMargin: NEAR, scrollMargin: NEAR } as IntersectionObserverInit,
  ));

/**
 * A picture among many, fetched when it is about to come into view. A browser's own waiting fetches what is some screens away as
 * well, and a class's pictures then hold up those that are looked at.
 */
export function NearPicture({ src, atOnce }: { src: string; /** It is in view from the start. */ atOnce: boolean }) {
  const here = useRef<HTMLImageElement>(null);
  const [near, setNear] = useState(atOnce);
  useEffect(() => {
    const picture = here.current;
    if (near || !picture) return;
    waiting.set(picture, () => setNear(true));
    watched().observe(picture);
    return () => {
      waiting.delete(picture);
      watch?.unobserve(picture);
    };
  }, [near]);
  return <img ref={here} src={near ? src : undefined} alt="" />;
}
