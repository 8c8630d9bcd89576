import { Outlet } from "react-router";
import { Notices } from "./Notices.tsx";

/** What every view has around it. */
export function Shell() {
  return (
    <>
      <Outlet />
      <Notices />
    </>
  );
}
