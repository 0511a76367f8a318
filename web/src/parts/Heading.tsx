import { type ComponentProps, useEffect } from 'react';

/** The heading of a page, which the browser's tab and its history are called by as well. */
export function Heading({ children, ...rest }: ComponentProps<'h1'> & { children: string }) {
  useEffect(() => {
    document.title = `${children} · Runk`;
  }, [children]);
  return <h1 {...rest}>{children}</h1>;
}
