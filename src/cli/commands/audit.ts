export async function run(): Promise<number> {
  return 0;
}
