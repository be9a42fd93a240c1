/** Where the server says what a device takes along beside its jobs. */
export const carriedPath = "/api/carried";
