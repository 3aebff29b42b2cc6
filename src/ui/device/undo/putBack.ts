/** Told to the page when a version was put back: what shows it reads it anew. */
export const PUT_BACK = 'panache:put-back';
