export async function test() { return 1 }
