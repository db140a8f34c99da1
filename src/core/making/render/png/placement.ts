/** Where the drawn part of a picture lies on its canvas, in pixels; around it is the ground and nothing else. */
export interface Placement {
  canvas: { width: number; height: number };
  left: number;
  top: number;
  width: number;
  height: number;
}
