"""Recipes read from text: names, yields, ingredients and steps, and what is asked about them."""
