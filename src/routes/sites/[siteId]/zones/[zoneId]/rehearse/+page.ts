// the control is played where it is pressed: nothing of it stands on the server
export const ssr = false;
