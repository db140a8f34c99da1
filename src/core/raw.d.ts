/** Scripts for pages are taken into the program as text. */
declare module "*?raw" {
  const text: string;
  export default text;
}
