// what is described is tried out where it is changed: nothing of it stands on the server
export const ssr = false;
