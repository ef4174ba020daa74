"""Several server processes beside each other, which end with the one that started them."""

import socket

from uvicorn.server import Server
from uvicorn.supervisors import multiprocess

from gantline import ending
from gantline.accepting import ListeningServer
from gantline.settings import Settings
from gantline.strangers import bound_here
from gantline.sweeping import few_heaps


class _Process(multiprocess.Process):
    """One of them, with our own ear."""

    def target(self, sockets: list[socket.socket] | None = None) -> None:
        """In the child: until it is told to end, or its parent is gone."""
        few_heaps()
        ending.end_with_server()
        bound_here(beyond=Settings().beyond)
        super().target(sockets)
        ending.leave()  # no thread holds it

    @property
    def server(self) -> Server:
        """Uvicorn's, made when it is first asked for."""
        if self._server is None:
            settings = Settings()
            self._server = ListeningServer(self.config, address=settings.address(settings.port))
        return self._server


class Several(multiprocess.Multiprocess):
    """Uvicorn's supervisor; ends at SIGHUP, too, where uvicorn would begin anew."""

    def run(self) -> None:
        """Until it is told to end."""
        # the supervisor makes its processes by this name, and has no other way to be given one
        multiprocess.Process = _Process  # type: ignore[misc]
        super().run()

    def handle_int(self) -> None:
        """Ctrl-C."""
        ending.begin()
        super().handle_int()

    def handle_term(self) -> None:
        """Told to end."""
        ending.begin()
        super().handle_term()

    def handle_hup(self) -> None:
        """Its terminal is gone: end."""
        self.handle_term()
