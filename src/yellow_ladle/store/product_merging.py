"""What is kept beside the book of a good that is put into another one."""

from sqlalchemy import update

from yellow_ladle.store.tables import NoticeRow
from yellow_ladle.store.transactions import Beside, Writing


def following(keep: str, gone: str) -> Beside:
    """What lets suppliers' notices follow, in the change's transaction.

    A notice is then about the kept good's own label: a sheet that raises a flag raises it there.
    """

    def write(writing: Writing) -> None:
        notices = update(NoticeRow).where(NoticeRow.product_id == gone)
        writing.session.execute(notices.values(product_id=keep, maker_id=""))

    return write
