"""Spreadsheets in and out."""
