"""Rules about bought goods: makers, certificates, bags, review dates, what is unchecked."""
