/** Style sheets are taken into the program as text. */
declare module "*.css" {
  const text: string;
  export default text;
}
