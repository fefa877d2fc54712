"""The demo kitchen: Skerrow Light, the supper room of a lighthouse museum. All made up."""
