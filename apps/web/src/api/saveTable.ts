/** Has the browser save a table (CSV) as a file. */
export function saveTable(name: string, csv: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(new Blob([csv], { type: "text/csv" }));
  link.download = `${name}.csv`;
  link.click();
  URL.revokeObjectURL(link.href);
}
