"""Which way a cutter is fed past the metal that stays, and which way it then pushes."""

from __future__ import annotations


def against_feed(hand: str, stays: str) -> bool:
    """Whether a cutter goes against the feed.

    Seen from above a right-hand cutter turns clockwise: on its left its teeth go forward with it,
    head on into work that comes the other way.

    Args:
        hand: ``right`` or ``left``, of the cutter.
        stays: ``left`` or ``right`` of its way, where the metal that stays stands.

    >>> against_feed("right", "left"), against_feed("left", "left")
    (True, False)
    """
    return (hand == "right") == (stays == "left")


def feed_said(hand: str, stays: str) -> str:
    """The same in words, with what to do where the screw has backlash.

    >>> feed_said("right", "left")
    'Against the feed: what a screw with backlash wants.'
    """
    if against_feed(hand, stays):
        return "Against the feed: what a screw with backlash wants."
    other = "left" if hand == "right" else "right"
    return (
        "With the feed: the cutter draws the table in. Begin at the other end, or take a "
        f"{other}-hand cutter; else only the last tenths, the slides stiff."
    )


def arbor_feed_said(shoulder: bool) -> str:
    """How a cutter on an arbor is put on and fed over work between a dividing head and a centre.

    Args:
        shoulder: Whether a shoulder stands at the head's end of the teeth.

    >>> arbor_feed_said(False)[:47]
    'On the arbor so that its teeth, where they cut,'
    """
    end = " It stops short of the shoulder: a stop on the table." if shoulder else ""
    return (
        "On the arbor so that its teeth, where they cut, run towards the dividing head; begin at "
        f"the tailstock's end. That is against the feed, and pushes the work into the head.{end}"
    )
