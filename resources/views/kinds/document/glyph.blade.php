<rect x="4.5" y="2.5" width="15" height="19" rx="2"/><path d="M8 8h8M8 12h8M8 16h4"/>
