import { lazy, Suspense, type ComponentType } from "react";

/** A component that is fetched when it is first drawn; nothing stands in its place until it is here. */
export function lazily<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
  const Fetched = lazy(() => load().then((component) => ({ default: component }))) as unknown as ComponentType<P>;
  return function Lazily(props: P) {
    return (
      <Suspense>
        <Fetched {...props} />
      </Suspense>
    );
  };
}
