"""Tests of files."""
