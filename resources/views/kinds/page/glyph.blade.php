<rect x="3" y="4" width="18" height="16" rx="2"/><path d="M3 8.5h18M7 12.5h5v4H7zM15 12.5h3M15 16h3"/>
