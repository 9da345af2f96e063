<?xml version="1.0" encoding="UTF-8"?>
<svg><path d="M0 0"/></svg>
