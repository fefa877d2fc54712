"""The rules of the job: plain typed values and functions, without web or database."""
