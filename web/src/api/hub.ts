import type { HubConnection } from "@microsoft/signalr";

export type { HubConnection } from "@microsoft/signalr";

/**
 * A connection to one of the server's hubs, not started yet. The package comes with the first one.
 * @param again After how many milliseconds a lost connection is tried again, each in turn; none without.
 */
export async function hubAt(path: string, again?: number[]): Promise<HubConnection> {
  const { HubConnectionBuilder, LogLevel } = await import("@microsoft/signalr");
  const builder = new HubConnectionBuilder().withUrl(path).configureLogging(LogLevel.None);
  return (again ? builder.withAutomaticReconnect(again) : builder).build();
}
