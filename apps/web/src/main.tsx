import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { Provider } from "react-redux";
import { createBrowserRouter, RouterProvider } from "react-router";
import { BASE, whenNewer } from "./api/client.ts";
import { NotHere, PageFault } from "./app/NotHere.tsx";
import { Shell } from "./app/Shell.tsx";
import { later, LaterContext } from "./app/later.ts";
import { newerNoticed } from "./app/noticeSlice.ts";
import { store } from "./app/store.ts";
import "./style.css";
import { JobsView } from "./views/jobs/JobsView.tsx";

const router = createBrowserRouter(
  [
    {
      element: <Shell />,
      errorElement: <PageFault />,
      children: [
        { path: "/", element: <JobsView /> },
        {
          path: "/jobs/:id",
          lazy: async () => ({ Component: (await import("./views/table/TableView.tsx")).TableView }),
        },
        {
          path: "/jobs/:id/press",
          lazy: async () => ({ Component: (await import("./views/press/PressView.tsx")).PressView }),
        },
        {
          path: "/jobs/:id/people",
          lazy: async () => ({ Component: (await import("./views/people/PeopleView.tsx")).PeopleView }),
        },
        {
          path: "/jobs/:id/camera",
          lazy: async () => ({ Component: (await import("./views/camera/CameraView.tsx")).CameraView }),
        },
        {
          path: "/jobs/:id/cuts",
          lazy: async () => ({ Component: (await import("./views/cuts/CutsView.tsx")).CutsView }),
        },
        {
          path: "/patterns",
          lazy: async () => ({ Component: (await import("./views/patterns/PatternsView.tsx")).PatternsView }),
        },
        {
          path: "/patterns/:id",
          lazy: async () => ({ Component: (await import("./views/patterns/PatternView.tsx")).PatternView }),
        },
        {
          path: "/network",
          lazy: async () => ({ Component: (await import("./views/network/NetworkView.tsx")).NetworkView }),
        },
        {
          path: "/booth",
          lazy: async () => ({ Component: (await import("./views/booth/EventsView.tsx")).EventsView }),
        },
        {
          path: "/booth/:id",
          lazy: async () => ({ Component: (await import("./views/booth/OperatorView.tsx")).OperatorView }),
        },
        {
          path: "/booth/:id/guest",
          lazy: async () => ({ Component: (await import("./views/booth/guest/GuestView.tsx")).GuestView }),
        },
        {
          path: "/t/:link",
          lazy: async () => ({ Component: (await import("./views/booth/phone/TakenView.tsx")).TakenView }),
        },
        {
          path: "/g/:token",
          lazy: async () => ({ Component: (await import("./views/booth/phone/PhoneView.tsx")).PhoneView }),
        },
        {
          path: "/runs",
          lazy: async () => ({ Component: (await import("./views/runs/RunsView.tsx")).RunsView }),
        },
        {
          path: "/sizes",
          lazy: async () => ({ Component: (await import("./views/sizes/SizesView.tsx")).SizesView }),
        },
        { path: "*", element: <NotHere /> },
      ],
    },
  ],
  { basename: BASE || "/" },
);

whenNewer(() => store.dispatch(newerNoticed()));

createRoot(document.getElementById("root")!).render(
  <StrictMode>
    <Provider store={store}>
      <Provider store={later(store)} context={LaterContext}>
        <RouterProvider router={router} />
      </Provider>
    </Provider>
  </StrictMode>,
);
