"""What goes round the picture: border tape, and light behind the frame."""
