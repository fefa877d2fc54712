"""What is kept beside the book of a good that is put into another one."""

from collections.abc import Callable

from sqlalchemy import update
from sqlalchemy.orm import Session

from yellow_ladle.store.tables import NoticeRow


def following(keep: str, gone: str) -> Callable[[Session], None]:
    """What lets suppliers' notices follow, in the change's transaction.

    A notice is then about the kept good's own label: a sheet that raises a flag raises it there.
    """

    def write(session: Session) -> None:
        notices = update(NoticeRow).where(NoticeRow.product_id == gone)
        session.execute(notices.values(product_id=keep, maker_id=""))

    return write
