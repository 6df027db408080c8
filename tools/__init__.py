"""What is generated from the code and the running application."""
