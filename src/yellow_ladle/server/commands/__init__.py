"""The commands of `./ladle`. Each imports only what it needs, so that `derive` stays quick."""
