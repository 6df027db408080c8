import { useInView } from "react-intersection-observer";

/** How far outside of the window something is drawn already, so that nobody who scrolls or tabs meets a gap. */
const MARGIN = "1200px 0px";

/**
 * Tells when part of a long list is near enough to be drawn; once drawn it stays. One that is there `at once` is never
 * waited for, and neither is anything where the browser cannot tell.
 */
export function useNear(atOnce: boolean) {
  const { ref, inView } = useInView({
    rootMargin: MARGIN,
    triggerOnce: true,
    skip: atOnce,
    fallbackInView: true,
  });
  return { ref, near: atOnce || inView };
}
