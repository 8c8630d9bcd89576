/**
 * Writes rows that come at the same time together: each is on the disk before its promise is kept, and the disk is waited
 * for once for all of them.
 */
export class Together<Row> {
  private rows: Row[] = [];
  private next: Promise<void> | null = null;

  constructor(private readonly write: (rows: Row[]) => unknown) {}

  add(row: Row): Promise<void> {
    this.rows.push(row);
    return (this.next ??= new Promise((resolve, reject) =>
      setImmediate(() => {
        const rows = this.rows;
        this.rows = [];
        this.next = null;
        try {
          this.write(rows);
          resolve();
        } catch (error) {
          reject(error instanceof Error ? error : new Error(String(error)));
        }
      }),
    ));
  }
}
