/** What a browser says of itself, for tests of what runs in one. */
export const browser = true;
export const building = false;
export const dev = false;
