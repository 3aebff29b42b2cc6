'use client';

/** The pan something is done in or goes into, by its name, before what it is said of. */
export const Pan = ({ name }: { readonly name: string }) => (
  <span className="mr-2 inline-block max-w-40 truncate rounded-sm bg-ink px-2 align-bottom text-[15px] text-ground leading-6">
    {name}
  </span>
);
