"""From a photo of the lit screen to corner readings, and a made-up camera to try it with."""
