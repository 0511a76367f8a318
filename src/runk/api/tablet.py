"""Routes of the tablet in the workshop: signing in and out, and the address as a QR code."""

from __future__ import annotations

import io
from dataclasses import dataclass

from fastapi import APIRouter, Request, Response
from pydantic import BaseModel, Field

from runk.api.door import COOKIE, LONGEST, SESSION_S, Door, Wait, token_of
from runk.api.problems import PROBLEMS, problem
from runk.core.refusals import Refused


class SignIn(BaseModel):
    """A pass-phrase as typed."""

    phrase: str = Field(max_length=LONGEST)


@dataclass(frozen=True)
class TabletOut:
    """Whether the workshop's network may use this Runk, and at which address."""

    lan: bool
    address: str


def router(door: Door | None, address: str) -> APIRouter:
    """Routes of signing in.

    Args:
        door: None where only this very machine can reach Runk.
        address: Where a tablet finds it; empty without a door.
    """
    routes = APIRouter(prefix="/api", responses=PROBLEMS)

    @routes.post("/sign-in", status_code=204)
    def sign_in(body: SignIn, request: Request) -> Response:
        if door is None:
            raise Refused("Only this machine can reach Runk: there is nothing to sign in to.")
        who = request.client.host if request.client else ""
        try:
            token = door.enter(body.phrase, who)
        except Wait as wait:
            response = problem(
                429,
                "Too many tries",
                f"Too many wrong pass-phrases. Try again in {wait.seconds} seconds.",
                "phrase",
            )
            response.headers["retry-after"] = str(wait.seconds)
            return response
        if token is None:
            return problem(401, "Wrong", "That is not the pass-phrase.", "phrase")
        response = Response(status_code=204)
        response.set_cookie(
            COOKIE, token, max_age=SESSION_S, httponly=True, samesite="strict", path="/"
        )
        return response

    @routes.post("/sign-out", status_code=204)
    def sign_out(request: Request) -> Response:
        if door is not None:
            door.leave(token_of(request.headers.get("cookie", "")))
        response = Response(status_code=204)
        response.delete_cookie(COOKIE, httponly=True, samesite="strict", path="/")
        return response

    @routes.get("/tablet")
    def tablet() -> TabletOut:
        return TabletOut(door is not None, address)

    @routes.get("/tablet/qr", response_class=Response)
    def qr() -> Response:
        import segno

        if not address:
            raise Refused("There is no address to show: start with `runk serve --lan`.")
        drawn = io.BytesIO()
        segno.make(address, micro=False, error="m").save(
            drawn, kind="svg", border=4, light="white", dark="black", scale=8
        )
        return Response(drawn.getvalue(), media_type="image/svg+xml")

    return routes
