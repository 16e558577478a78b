import { Link } from "react-router";

export function NotFoundPage() {
  return (
    <div className="page narrow">
      <h1>Nothing is knitted here</h1>
      <p className="lead">This address leads to no page.</p>
      <Link to="/">To the basket</Link>
    </div>
  );
}
