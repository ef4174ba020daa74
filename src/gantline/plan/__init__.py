"""The engine: questions asked of a job, figures with their workings, findings. It knows no station by name."""
