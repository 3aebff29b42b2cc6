import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A link to another view. Nothing of it is fetched before it is tapped: every view is made as it is asked for, so that what could
 * be fetched ahead is its frame alone, and two requests a link are what a slow tablet waits for first.
 */
export const Link = (props: ComponentProps<typeof NextLink>) => <NextLink prefetch={false} {...props} />;
