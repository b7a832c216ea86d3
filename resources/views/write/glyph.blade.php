<rect x="4" y="4" width="16" height="16" rx="2"/>
