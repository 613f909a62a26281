/** A link that stands among buttons looks like one. */
export const LINK_LOOK =
  "inline-flex h-7 items-center rounded-sm border border-firm px-3 font-medium whitespace-nowrap hover:bg-wash";

/** A link that looks like a button that acts. */
export const linkButton =
  "inline-flex h-7 items-center rounded-sm border border-firm px-3 font-medium whitespace-nowrap hover:bg-wash";
