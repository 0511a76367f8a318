"""Threads: series, tapping, dies, studs."""

from runk.core.threads.series import Form, Thread, find_thread, threads

__all__ = ["Form", "Thread", "find_thread", "threads"]
